<script lang="ts">
  import Alert from "../ui/Alert.svelte";
  import type { Snippet } from "svelte";
  import { Asking } from "../api/asking.svelte";
  import Outcome from "../ui/Outcome.svelte";
  import Button from "../ui/Button.svelte";
  import Table from "../ui/Table.svelte";
  import TableHead from "../ui/TableHead.svelte";
  import { size } from "../document/answers";
  import { request } from "../api/http";
  import type { Line, Look, RecordPage } from "../api/types";
  import { lookClass, lookStyle } from "../document/looks";
  import Mark from "../document/Mark.svelte";
  import { inside, router } from "../router.svelte";
  import { session } from "../session.svelte";
  import { dayAndTime } from "../times";
  import Passages from "../document/Passages.svelte";
  import Signed from "../document/Signed.svelte";
  import Deleting from "./Deleting.svelte";
  import TopBar from "./TopBar.svelte";

  let { template, number }: { template: string; number: number } = $props();

  let page = $state<RecordPage | null>(null);
  const asking = new Asking();

  $effect(() => {
    const path = `/api/templates/${template}/records/${number}`;
    void asking.run(async () => (page = await request<RecordPage>("GET", path)));
  });
</script>

<svelte:head><title>Record {number} · {page?.content.title ?? ""} · Loesscape</title></svelte:head>

{#snippet asked(label: string, answer: Snippet)}
  <div
    class="grid gap-x-6 border-b border-ground py-2 last:border-0 sm:grid-cols-[minmax(0,2fr)_minmax(0,3fr)]"
  >
    <dt class="soft">{label}</dt>
    <dd class="text-sheet break-words">{@render answer()}</dd>
  </div>
{/snippet}

{#snippet told(line: Line)}
  {#if line.type === "noted"}
    <div class="soft pb-2 text-chrome italic">{line.text}</div>
  {:else if line.type === "told"}
    <div class="soft py-2 text-chrome"><Passages text={line.text} number={line.number} /></div>
  {:else if line.type === "signature"}
    {#snippet signature()}
      {#if line.signed}<Signed typed={line.signed} label={line.label} />{:else}<span class="soft"
          >not signed</span
        >{/if}
    {/snippet}
    {@render asked(line.label, signature)}
  {:else if line.type === "answer" || line.type === "indicated"}
    {#snippet words()}{@render said(line.text, line.look)}{/snippet}
    {@render asked(line.label, words)}
  {:else if line.type === "handedIn"}
    {#snippet file()}<span class={[!line.name && "soft"]}>{line.name || "not answered"}</span>{/snippet}
    {@render asked(line.label, file)}
  {/if}
{/snippet}

{#snippet said(text: string, look: Look)}
  {#if !text}
    <span class="soft">not answered</span>
  {:else}
    <span
      class={[
        "whitespace-pre-wrap",
        lookClass(look),
        (look.colours || look.shade !== "plain") &&
          "inline-flex items-center gap-1.5 rounded-md border px-2 py-0.5",
      ]}
      style={lookStyle(look)}
    >
      <Mark mark={look.mark} />{text}
    </span>
  {/if}
  {#if look.words}<p>{look.words}</p>{/if}
{/snippet}

<TopBar title={page?.content.title} {template} view="Records" />
<main class="mx-auto max-w-[760px] px-6 py-6">
  <Outcome {asking} />
  {#if page}
    <div class="mb-4 flex items-center gap-3">
      <a class="link" href={`/templates/${template}/records`} {@attach inside}>All records</a>
      <span class="soft"
        >Record {page.number}, release {page.release}, finished {dayAndTime(page.finished)}</span
      >
      <div class="ml-auto flex gap-2">
        {#if page.newer}<Button href={`/templates/${template}/records/${page.newer}`} {@attach inside}
            >Newer</Button
          >{/if}
        {#if page.older}<Button href={`/templates/${template}/records/${page.older}`} {@attach inside}
            >Older</Button
          >{/if}
        <Button href={`/api/templates/${template}/records/${page.number}/record.docx`} download>DOCX</Button>
        <Button look="primary" href={`/api/templates/${template}/records/${page.number}/record.pdf`} download
          >PDF</Button
        >
      </div>
    </div>
    {#if page.broken}
      <Alert look="framed" class="mb-4"
        ><span class="trouble">This is not what was signed: {page.broken}</span></Alert
      >
    {/if}
    {#if page.broughtIn}
      {@const from = page.broughtIn}
      <p class="soft mb-4">
        Made of “{from.name}”{#if !from.kept}, document {from.position}{/if}, which {from.by} brought {dayAndTime(
          from.brought,
        )}.
        {#if from.kept}
          <a class="link" href={`/api/templates/${template}/records/${page.number}/returned`} download
            >Save that file</a
          >
        {/if}
      </p>
    {/if}
    <article class="border bg-paper px-10 py-9">
      <h1 class="text-display leading-tight font-semibold">{page.content.title}</h1>
      <p class="soft">{page.content.subtitle}</p>
      {#each page.content.sections as block, i (i)}
        {#if block.type === "pageTitle"}
          <h2 class="mt-8 text-title font-semibold">{block.title}</h2>
        {:else}
          {#if block.title}
            <h2 class="mt-7 mb-1 border-b pb-1.5 text-reading font-semibold">{block.title}</h2>
          {/if}
          {#if block.type === "rows"}
            {#if block.rows.length}
              <div class="overflow-x-auto">
                <Table framed={false}
                  >{#snippet heads()}
                    {#each block.columns as column, j (j)}
                      <TableHead numeric={column.isNumeric}>{column.label}</TableHead>
                    {/each}
                  {/snippet}{#snippet body()}
                    {#each block.rows as row, j (j)}
                      <tr class={["border-b align-top last:border-0", lookClass(row.look)]}>
                        {#each row.cells as cell, k (k)}
                          <td class={["px-3 py-2", block.columns[k]?.isNumeric && "text-right tabular-nums"]}
                            >{#if cell.key}{@render said(cell.text, cell.look)}{/if}</td
                          >
                        {/each}
                      </tr>
                    {/each}
                  {/snippet}</Table
                >
              </div>
            {:else}
              <p class="soft py-2">No rows</p>
            {/if}
          {:else}
            <dl>
              {#each block.lines as line, j (j)}
                {@render told(line)}
              {/each}
            </dl>
          {/if}
        {/if}
      {/each}
      {#if page.files.length}
        <h2 class="mt-7 mb-1 border-b pb-1.5 text-reading font-semibold">Files</h2>
        <ul>
          {#each page.files as file (file.id)}
            <li class="py-1.5">
              <a
                class="link break-all"
                href={`/api/templates/${template}/records/${page.number}/files/${file.id}`}
                target="_blank"
                rel="noopener">{file.name}</a
              >
              <span class="soft">{size(file.bytes)}</span>
            </li>
          {/each}
        </ul>
      {/if}
    </article>
    {#if session.value?.role === "author"}
      <div class="mt-4">
        <Deleting
          path={`/api/templates/${template}/records/${page.number}/delete`}
          what={`record ${page.number}`}
          stays="Its number is not given to another."
          ondone={() => router.go(`/templates/${template}/records`)}
        />
      </div>
    {/if}
  {/if}
</main>
