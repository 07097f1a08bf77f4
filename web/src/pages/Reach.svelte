<script lang="ts">
  import Busy from "../ui/Busy.svelte";
  import Alert from "../ui/Alert.svelte";
  import { ASPECTS } from "../api/aspects";
  import type { Aspect, Example, Finding, Node, ReachExamples } from "../api/types";
  import { answerWords } from "../document/answerWords";
  import NotOpened from "../document/NotOpened.svelte";
  import { exampleWords } from "../prove/promises";
  import { provide } from "../draft/context";
  import FindingList from "../draft/editors/FindingList.svelte";
  import { lookedThrough } from "../draft/lookedThrough.svelte";
  import Said from "../draft/margin/Said.svelte";
  import { WorkingCopy } from "../draft/workingCopy.svelte";
  import { besideFor, besideOf, cutOf, edgesIn, said } from "../reach/cells";
  import AcrossGrid from "../reach/AcrossGrid.svelte";
  import ReachGrid from "../reach/ReachGrid.svelte";
  import { Reaching } from "../reach/reaching.svelte";
  import { router } from "../router.svelte";
  import Button from "../ui/Button.svelte";
  import Input from "../ui/Input.svelte";
  import Picker, { type Option } from "../ui/Picker.svelte";
  import TopBar from "./TopBar.svelte";

  let { template }: { template: string } = $props();

  // svelte-ignore state_referenced_locally (the page is made anew for another template)
  const copy = provide(new WorkingCopy(template));
  const reaching = new Reaching(copy);
  const opened = copy.open().then(() => {
    const place = decodeURIComponent(location.hash.slice(1));
    const first = sources[0]?.key ?? "";
    reaching.look(sources.some(({ key }) => key === place) ? place : first);
  });
  lookedThrough(copy);
  let typed = $state("");
  let asked = $state<{ about: string; examples: ReachExamples } | null>(null);

  /** The fields that others follow, those that most follow first. */
  const sources = $derived(
    [...copy.nodes.values()]
      .filter(({ node }) => node.type === "field")
      .map(({ node, name, bond }) => ({ key: node.key, name, followers: bond.followers.length }))
      .filter(({ followers, key }) => followers || key === reaching.field)
      .sort((one, other) => other.followers - one.followers),
  );
  const others = $derived<Option[]>(
    [...copy.nodes.values()]
      .filter(({ node }) => node.type === "field" && !sources.some(({ key }) => key === node.key))
      .map(({ node, name }) => ({ id: node.key, label: name })),
  );
  const held = $derived(
    [...copy.nodes.values()]
      .filter(({ node }) => node.type === "field" && node.key !== reaching.field && copy.answers[node.key])
      .map(({ node, name }) => ({
        at: node.key,
        name,
        text: wordsOf(node.key, copy.answers[node.key] ?? ""),
      })),
  );
  /** How its lines can be cut; null where all its answers are told apart anyway. */
  const cutting = $derived.by(() => {
    const node = copy.nodes.get(reaching.field)?.node;
    return node?.type === "field" ? cutOf(node.kind) : null;
  });
  /** What is said beside an item that can be added: for whether it is shown what it is, for all else what it can be told to be. */
  function hintOf(node: Node, aspect: Aspect): string {
    if (aspect === "shown") return node.type === "field" ? "" : node.type;
    const { title, otherwise, plainDefault } = ASPECTS[aspect];
    return plainDefault ? otherwise : title.toLowerCase();
  }
  /** What can be added: whether an item is shown, and what else it is that it is not of itself. */
  const columns = $derived.by<Option[]>(() => {
    const there = new Set(reaching.table?.columns.map(besideOf));
    const addable = [...copy.nodes.values()].filter(
      ({ node }) => node.type !== "page" && node.key !== reaching.field,
    );
    return (Object.keys(ASPECTS) as Aspect[]).flatMap((aspect) =>
      addable
        .filter(({ node }) => ASPECTS[aspect].nodes.includes(node.type))
        .map(({ node, name }) => ({
          id: besideFor(node.key, aspect),
          label: name,
          hint: hintOf(node, aspect),
        }))
        .filter(({ id }) => !there.has(id)),
    );
  });
  /** Each follower by each other field that it follows. */
  const crossings = $derived<Option[]>(
    (reaching.table?.columns ?? []).flatMap(({ key, name, heading }, column) =>
      (copy.nodes.get(key)?.bond.follows ?? [])
        .filter((other) => other !== reaching.field && copy.nodes.get(other)?.node.type === "field")
        .map((other) => ({
          id: `${column} ${other}`,
          label: `${name}, ${heading}, by ${copy.view(other).name}`,
        })),
    ),
  );
  const isAnySettable = $derived(reaching.table?.columns.some(({ isSettable }) => isSettable) ?? false);
  const followers = $derived(new Set(reaching.table?.columns.map(({ key }) => key)));
  const findings = $derived<Finding[]>(
    copy.findings.filter(({ key }) => key === reaching.field || followers.has(key)),
  );

  /** An answer as its field shows it. */
  function wordsOf(key: string, text: string): string {
    const node = copy.view(key).node;
    return node.type === "field" ? answerWords(node.kind, text) : text;
  }

  // The table is as the document and the answers tried out are.
  reaching.follow(() => copy.answered > 0 && !copy.pending);

  // What is pointed at here is looked at where it is written.
  $effect(() => {
    if (copy.selected) router.go(`/templates/${template}`, copy.selected);
  });

  function look(field: string) {
    asked = null;
    reaching.look(field);
    history.replaceState(null, "", `#${field}`);
  }

  async function cut(event: Event) {
    event.preventDefault();
    const edges = edgesIn(typed, cutting === "name");
    if (edges.length && (await reaching.cut(edges))) typed = "";
  }

  async function ask(row: number, place: number) {
    const column = reaching.table!.columns[place]!;
    const cell = reaching.table!.cells[row]![place]!;
    asked = {
      about: `${column.name}, ${column.heading}, ${reaching.table!.rows[row]!.words}: ${said(cell, column)}`,
      examples: await reaching.examples(row, place),
    };
  }

  function layAcross(id: string) {
    const [column = "", other = ""] = id.split(" ");
    void reaching
      .layAcross(Number(column), other)
      .catch((problem: Error) => (reaching.trouble = problem.message));
  }

  async function load(example: Example) {
    await copy.tryExample(example);
    router.go(`/templates/${template}`);
  }

  const csv = $derived(`${reaching.base}/table.csv?${reaching.query}`);
</script>

<svelte:head><title>Reach · {copy.title} · Loesscape</title></svelte:head>

<TopBar title={copy.title} {template} view="Reach">
  <Button look="on spruce" aria-label="Undo" disabled={!copy.canUndo} onclick={copy.undo}>↶</Button>
  <Button look="on spruce" aria-label="Redo" disabled={!copy.canRedo} onclick={copy.redo}>↷</Button>
</TopBar>
{#await opened}
  <Busy whole>Opening …</Busy>
{:then}
  <main class="layout">
    <nav class="panel" aria-label="Fields that others follow">
      <h2 class="mb-1 text-xs font-semibold text-soft">Fields that others follow</h2>
      <ul class="fields">
        {#each sources as { key, name, followers } (key)}
          <li>
            <Button
              look="bare"
              class={["source", key === reaching.field && "is-chosen"]}
              aria-current={key === reaching.field ? "true" : undefined}
              onclick={() => look(key)}
              ><span class="min-w-0 truncate">{name}</span><span class="soft tabular-nums">{followers}</span
              ></Button
            >
          </li>
        {:else}
          <li class="soft">Nothing follows an answer yet.</li>
        {/each}
      </ul>
      {#if others.length}
        <div class="mt-1">
          <Picker
            label="Another field"
            text="Another field …"
            tone="token add"
            options={others}
            onpick={look}
          />
        </div>
      {/if}
      <h2 class="mt-6 mb-1 text-xs font-semibold text-soft">Read with these held</h2>
      {#if reaching.isHeld}
        <dl class="held">
          {#each held.slice(0, 12) as { at, name, text } (at)}
            <dt class="truncate" title={name}>{name}</dt>
            <dd class="truncate" title={text}>{text}</dd>
          {/each}
        </dl>
        <p class="soft">
          {held.length > 12 ? `and ${held.length - 12} more; ` : ""}{held.length
            ? "everything else blank"
            : "all answers blank; try some out in the Draft view"}
        </p>
      {:else}
        <p class="soft">none: all other answers are looked at</p>
      {/if}
    </nav>
    <section class="panel wide" aria-labelledby="reach">
      {#if reaching.field}
        <div class="flex flex-wrap items-start gap-3">
          <div class="min-w-60 flex-1">
            <h1 id="reach" class="text-reading font-semibold">
              What {copy.nodes.get(reaching.field)?.name ?? reaching.field} reaches
            </h1>
            <p class="soft">
              Every answer that makes a difference, edges and blank included.
              {reaching.isHeld
                ? isAnySettable
                  ? "Click a cell, or drag over several, to change what happens there."
                  : ""
                : "Click a cell for answers that show it."}
            </p>
          </div>
          <div class="flex items-center gap-1" role="group" aria-label="How it is read">
            {#if reaching.isLooking && !reaching.isHeld}<span class="soft mr-2" role="status"
                >Being looked at …</span
              >{/if}
            <Button
              look="token"
              pressed={reaching.isHeld}
              onclick={() => ((reaching.isHeld = true), (asked = null))}>With the answers tried out</Button
            >
            <Button look="token" pressed={!reaching.isHeld} onclick={() => (reaching.isHeld = false)}
              >For all other answers</Button
            >
          </div>
        </div>
        {#if copy.refused}
          <Alert class="mt-2">
            {copy.refused.message}
            <Button look="token" onclick={() => copy.dismiss()}>Close</Button>
          </Alert>
        {/if}
        {#if reaching.trouble}<Alert class="mt-2">{reaching.trouble}</Alert>{/if}
        {#if reaching.table}
          {#if reaching.table.note}<p class="mt-2">{reaching.table.note}</p>{/if}
          <div class="mt-3"><ReachGrid {reaching} onask={ask} /></div>
          {#if !reaching.table.columns.length}
            <p class="soft mt-3">Nothing follows this field yet. Add what is to follow it.</p>
          {/if}
          <div class="mt-3 flex flex-wrap items-center gap-2 print-hidden">
            <Picker
              label="Add what is to follow"
              text="Add what is to follow …"
              tone="token add"
              several
              chosen={reaching.besides}
              options={columns}
              onpick={(key) =>
                (reaching.besides = reaching.besides.includes(key)
                  ? reaching.besides.filter((other) => other !== key)
                  : [...reaching.besides, key])}
            />
            {#if cutting}
              <form class="flex items-center gap-1" onsubmit={cut}>
                <Input
                  look="token add"
                  width="15rem"
                  aria-label={cutting === "size" ? "Cut the lines at" : "Tell these apart"}
                  placeholder={cutting === "size"
                    ? "cut the lines at: 30 100 250"
                    : "tell apart: one; another"}
                  maxlength={400}
                  bind:value={typed}
                />
              </form>
              {#each reaching.edges as edge (edge)}
                <Button
                  look="token"
                  aria-label={`${edge} is told apart in this table; take that away`}
                  onclick={() => (reaching.edges = reaching.edges.filter((other) => other !== edge))}
                  >{edge} ×</Button
                >
              {/each}
            {/if}
            {#if crossings.length}
              <Picker
                label="Lay another field across"
                text="Lay another field across …"
                tone="token add"
                options={crossings}
                onpick={layAcross}
              />
            {/if}
            <span class="grow"></span>
            <Button look="underlined" href={csv} download="reach.csv">Save as table (CSV)</Button>
            <Button look="underlined" onclick={() => print()}>Print</Button>
          </div>
          {#if asked}
            <div class="asked" role="status">
              <b>{asked.about}.</b>
              {#if asked.examples.because.length}
                <p>Not decided because of {asked.examples.because.join("; ")}.</p>
              {/if}
              {#each [["So for these answers", asked.examples.yes], ["Not so for these", asked.examples.no]] as const as [words, example] (words)}
                {#if example}
                  <p>
                    {words}:
                    {exampleWords(copy, example)}
                    <Button
                      look="token"
                      aria-label={`Try these answers: ${words}`}
                      onclick={() => load(example)}>Try these answers</Button
                    >
                  </p>
                {/if}
              {/each}
              <Button look="token faint" aria-label="Close the examples" onclick={() => (asked = null)}
                >×</Button
              >
            </div>
          {/if}
          {#if reaching.across}
            <div class="mt-4">
              <h2 class="mb-1 flex items-center gap-2 font-semibold">
                {reaching.across.table.column.name}, {reaching.across.table.column.heading}, by two answers
                <Button
                  look="token faint"
                  aria-label="Close the table by two answers"
                  onclick={() => (reaching.across = null)}>×</Button
                >
              </h2>
              <AcrossGrid table={reaching.across.table} field={reaching.field} />
            </div>
          {/if}
          {#if findings.length}
            <div class="mt-4 rounded-lg border border-straw-line bg-straw px-4 py-2">
              <h2 class="mb-1 font-semibold">Found here</h2>
              <FindingList {findings} named onload={load} />
            </div>
          {/if}
          <div class="sentences">
            {#each [...followers].filter((key) => copy.nodes.get(key)?.sentences.length) as key (key)}
              <p>
                <span class="soft">{copy.view(key).name}:</span>
                {#each copy.view(key).sentences as { parts }, i (i)}<Said {parts} />{" "}{/each}
              </p>
            {/each}
          </div>
        {:else if !reaching.trouble}
          <Busy class="mt-6">Being looked at …</Busy>
        {/if}
      {:else}
        <h1 id="reach" class="text-reading font-semibold">Reach</h1>
        <p class="soft mt-2">
          Here stands what each answer does to everything that follows it. This document has no field yet.
        </p>
      {/if}
    </section>
  </main>
{:catch problem}
  <div class="p-10"><NotOpened {problem} /></div>
{/await}

<style>
  .layout {
    display: grid;
    grid-template-columns: 232px minmax(0, 1fr);
    gap: 18px;
    align-items: start;
    padding: 16px 20px;
  }

  .panel {
    min-width: 0;
    border: 1px solid var(--color-line);
    border-radius: var(--radius-lg);
    background: var(--color-paper);
    padding: 12px 14px;
  }

  .wide {
    padding: 16px 18px;
  }

  .fields {
    max-height: 46vh;
    margin: 0 -14px;
    overflow-y: auto;
  }

  .fields :global(.source) {
    display: flex;
    width: 100%;
    justify-content: space-between;
    gap: 8px;
    padding: 5px 14px;
    text-align: left;
  }

  .fields :global(.source:hover) {
    background: var(--color-ground);
  }

  .fields :global(.source.is-chosen) {
    background: var(--color-river-tint);
    color: var(--color-river);
    font-weight: 600;
  }

  .held {
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(0, auto);
    gap: 3px 10px;
  }

  .held dd {
    max-width: 6.5rem;
    font-weight: 600;
    text-align: right;
  }

  .asked {
    position: relative;
    margin-top: 12px;
    border: 1px solid var(--color-line);
    border-radius: var(--radius-lg);
    background: var(--color-ground);
    padding: 8px 40px 8px 12px;
  }

  .asked > :global(:last-child) {
    position: absolute;
    top: 6px;
    right: 8px;
  }

  .sentences {
    display: grid;
    gap: 4px;
    margin-top: 16px;
    border-top: 1px solid var(--color-line);
    padding-top: 10px;
    font: var(--text-sheet)/1.42 var(--font-margin);
  }

  .sentences .soft {
    font: var(--text-note) var(--font-chrome);
  }

  @media (max-width: 760px) {
    .layout {
      grid-template-columns: minmax(0, 1fr);
      padding: 12px;
    }
  }

  @media print {
    .layout {
      display: block;
      padding: 0;
    }

    nav.panel,
    .print-hidden {
      display: none;
    }

    .panel {
      border: none;
    }
  }
</style>
