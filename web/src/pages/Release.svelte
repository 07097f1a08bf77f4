<script lang="ts">
  import TableHead from "../ui/TableHead.svelte";
  import Table from "../ui/Table.svelte";
  import { Asking } from "../api/asking.svelte";
  import Outcome from "../ui/Outcome.svelte";
  import Button from "../ui/Button.svelte";
  import Input from "../ui/Input.svelte";
  import TextArea from "../ui/TextArea.svelte";
  import { request } from "../api/http";
  import type { NewLink, ReleaseList } from "../api/types";
  import { inside } from "../router.svelte";
  import { dayAndTime } from "../times";
  import FillLinks from "./FillLinks.svelte";
  import FormsOut from "./FormsOut.svelte";
  import FinishedPages from "./FinishedPages.svelte";
  import RetentionSettings from "./RetentionSettings.svelte";
  import SharingSettings from "./SharingSettings.svelte";
  import TopBar from "./TopBar.svelte";
  import VersionChanges from "./VersionChanges.svelte";

  let { template }: { template: string } = $props();

  const base = $derived(`/api/templates/${template}/releases`);
  let list = $state<ReleaseList | null>(null);
  let notes = $state("");
  /** Why it is released although something was found that should keep it from that. */
  let accepted = $state("");
  let fresh = $state<NewLink | null>(null);
  let copied = $state(false);
  const asking = new Asking();
  const address = $derived(fresh ? location.origin + fresh.path : "");

  $effect(() => void asking.run(load));

  async function load() {
    list = await request<ReleaseList>("GET", base);
  }

  const release = () =>
    asking.run(async () => {
      fresh = await request<NewLink>("POST", base, {
        revision: list!.revision,
        notes,
        accepted,
      });
      copied = false;
      notes = accepted = "";
      await load();
    });

  const link = (number: number) =>
    asking.run(async () => {
      fresh = await request<NewLink>("POST", `${base}/${number}/links`);
      copied = false;
      await load();
    });

  async function copy() {
    await navigator.clipboard.writeText(address);
    copied = true;
  }
</script>

<svelte:head><title>Release · {list?.title ?? ""} · Loesscape</title></svelte:head>

<TopBar title={list?.title} {template} view="Release" />
<main class="mx-auto grid max-w-[880px] grid-cols-[minmax(0,1fr)] gap-6 px-4 py-7 sm:px-6">
  <Outcome {asking} />
  {#if fresh}
    <section class="rounded-xl border border-gold-deep bg-straw px-6 py-5" aria-label="New link">
      <h2 class="text-reading font-semibold">Link to release {fresh.release}</h2>
      <p class="mt-1">
        Whoever has this link can fill in the document. It is shown only now; copy it before you leave this
        page.
      </p>
      <div class="mt-3 flex gap-2">
        <Input
          class="key grow"
          readonly
          shows={address}
          aria-label="Address of the link"
          onfocus={(event) => event.currentTarget.select()}
        />
        <Button onclick={copy}>{copied ? "Copied" : "Copy"}</Button>
        <Button href={fresh.path} target="_blank" rel="noopener">Open it</Button>
      </div>
    </section>
  {/if}
  {#if list}
    <section class="rounded-xl border bg-paper px-6 py-5">
      <h2 class="text-reading font-semibold">
        {#if list.releases.length === 0}Not released yet{:else if list.changedSince}Changed since release {list
            .releases[0]?.number}{:else}As in release {list.releases[0]?.number}{/if}
      </h2>
      <p class="soft mt-1">
        Releasing makes a numbered copy that never changes, and a link to it. You can go on with the draft;
        whoever has a link sees the release.
      </p>
      <label class="mt-4 grid gap-1 font-semibold"
        >What is new in it
        <TextArea rows={2} maxlength={4000} bind:value={notes} />
      </label>
      {#if list.blocking.length}
        <div class="mt-4 rounded-md border border-clay bg-clay-tint px-4 py-3">
          <h3 class="font-semibold text-clay">Found in the draft</h3>
          <ul class="mt-1 list-disc ps-5">
            {#each list.blocking as { key, message } (key + message)}<li>{message}</li>{/each}
          </ul>
          <label class="mt-3 grid gap-1 font-semibold"
            >Why it is released all the same
            <TextArea rows={2} maxlength={4000} bind:value={accepted} />
          </label>
        </div>
      {/if}
      <div class="mt-3 flex items-center gap-3">
        <Button
          look="primary"
          disabled={asking.busy || (list.blocking.length > 0 && !accepted.trim())}
          onclick={release}>Make release {(list.releases[0]?.number ?? 0) + 1}</Button
        >
        <a class="link ml-auto" href={`/api/templates/${template}/file`} download
          >Export the draft as a template file</a
        >
      </div>
    </section>
    {#if list.releases.length}
      <VersionChanges
        {template}
        releases={list.releases.map(({ number }) => number)}
        revision={list.revision}
      />
    {/if}
    <FinishedPages {template} />
    {#if list.releases.length}
      <section class="relative overflow-x-auto rounded-xl border bg-paper" aria-label="Releases">
        <Table framed={false}
          >{#snippet heads()}
            <TableHead outer>Release</TableHead>
            <TableHead>Made</TableHead>
            <TableHead>What is new in it</TableHead>
            <TableHead numeric>Links</TableHead>
            <TableHead numeric>Records</TableHead>
            <TableHead outer><span class="sr-only">Actions</span></TableHead>
          {/snippet}{#snippet body()}
            {#each list?.releases ?? [] as row (row.number)}
              <tr class="border-b align-top last:border-0">
                <td class="px-5 py-3 text-reading font-semibold tabular-nums">{row.number}</td>
                <td class="px-3 py-3 whitespace-nowrap"
                  >{dayAndTime(row.released)}<br /><span class="soft">{row.by}</span></td
                >
                <td class="px-3 py-3 whitespace-pre-wrap"
                  >{row.notes}{#if row.accepted}<p class="soft mt-1">
                      Released all the same, because: {row.accepted}
                    </p>{/if}</td
                >
                <td class="px-3 py-3 text-right tabular-nums">{row.links}</td>
                <td class="px-3 py-3 text-right tabular-nums">
                  {#if row.records}<a class="link" href={`/templates/${template}/records`} {@attach inside}
                      >{row.records}</a
                    >{:else}0{/if}
                </td>
                <td class="px-5 py-3 text-right"
                  ><Button disabled={asking.busy} onclick={() => link(row.number)}>New link</Button></td
                >
              </tr>
            {/each}
          {/snippet}</Table
        >
      </section>
    {/if}
    {#if list.releases[0]}<FormsOut {template} release={list.releases[0].number} />{/if}
    <FillLinks {template} made={fresh} />
    <SharingSettings {template} />
    <RetentionSettings {template} />
  {/if}
</main>
