<script lang="ts">
  import { request } from "../../api/http";
  import type { FilledPages, Ink } from "../../api/types";
  import Button from "../../ui/light/Button.svelte";
  import { address, withRow } from "../../document/answers";
  import { wrapping } from "../../document/forms";
  import { lookClass } from "../../document/looks";
  import { parts, rows } from "../../document/rows";
  import { documentLanguage } from "../conditions/clauses";
  import { workingCopy } from "../context";
  import DocumentEditor from "../editors/DocumentEditor.svelte";
  import EditableText from "./EditableText.svelte";
  import { FrameByFrame } from "./frameByFrame.svelte";
  import InPlace from "./InPlace.svelte";
  import InsertLine from "./InsertLine.svelte";
  import ItemEditor from "../editors/ItemEditor.svelte";
  import Line from "./Line.svelte";
  import Movable from "./Movable.svelte";
  import Note from "../margin/Note.svelte";
  import Now from "../margin/Now.svelte";
  import Said from "../margin/Said.svelte";
  import SheetDesk from "./SheetDesk.svelte";
  import { firstPages, placeName, sheetOf } from "../sheets";
  import SeveralEditor from "../editors/SeveralEditor.svelte";
  import Slip from "./Slip.svelte";
  import Threads from "./Threads.svelte";

  let { inserting, onclosed }: { inserting: string | null; onclosed: () => void } = $props();

  const AT_ONCE = 4;
  $effect(() => {
    documentLanguage.tag = copy.settings?.pageSettings.language ?? "";
  });

  const copy = workingCopy();
  /** Another element would be all controls made anew, and the focus lost: what they stand in stays. */
  const wrap = wrapping(
    [...copy.nodes.values()].filter(({ node, state }) => node.type === "field" && state.shown).length,
  );
  let ground = $state<HTMLElement>();
  const pages = $derived(copy.inside(""));
  /** What stands at a place of a page of a PDF stands nowhere else. */
  const placed = $derived(firstPages(pages, copy.nodes));
  const unplaced = (section: string) => copy.inside(section).filter((key) => !placed.has(key));
  /** What stands now on the pages of PDF files, as paper would have it; asked for when answers and edits have come to rest. */
  let filled = $state.raw(new Map<string, Map<string, Ink>>());
  $effect(() => {
    void copy.answered;
    if (!placed.size) return;
    const asking = setTimeout(async () => {
      const path = `/api/templates/${copy.template}/draft/paper/filled`;
      const told = await request<FilledPages>("GET", path).catch(() => null);
      if (!told) return;
      filled = new Map(
        told.pages.map(({ key, inks }) => [key, new Map(inks.map((ink) => [placeName(ink.place), ink]))]),
      );
    }, 120);
    return () => clearTimeout(asking);
  });
  const NOTHING = new Map<string, Ink>();
  /** What stands before a section. */
  function number(section: string): string {
    const { state } = copy.view(section);
    return state.type === "section" ? state.number : "";
  }
  const sections = new FrameByFrame(() => pages.flatMap((page) => copy.inside(page)).length, AT_ONCE);
  const isMade = (page: string, place: number) =>
    pages.slice(0, pages.indexOf(page)).reduce((before, it) => before + copy.inside(it).length, place) <
    sections.made;

  const shown = (key: string) => copy.view(key).state.shown;
  const depth = (key: string) => copy.view(key).bond.depth;

  const pageAround = (section: string): string =>
    pages.includes(copy.holder(section)) ? copy.holder(section) : pageAround(copy.holder(section));
  /** Of what stands on a page of a PDF, the sections are seen that hold more, have logic of their own, or are chosen. */
  function isToBeSeen(section: string): boolean {
    if (!sheetOf(copy.nodes.get(pageAround(section)))) return true;
    const view = copy.view(section);
    return (
      unplaced(section).length > 0 ||
      view.sentences.length > 0 ||
      copy.selected === section ||
      !copy.inside(section).length ||
      isLastOfSheet(section)
    );
  }
  /** Where one asks for more: behind each section, on a page of a PDF behind all of them. */
  function isLastOfSheet(section: string): boolean {
    const page = pageAround(section);
    return !sheetOf(copy.nodes.get(page)) || copy.inside(page).at(-1) === section;
  }

  /** A folded section is one slip, opened while something in it is selected. */
  const isSlip = (section: string) =>
    !shown(section) &&
    !copy
      .within(section)
      .slice(1)
      .includes(copy.selected ?? "");

  /** Whether an item stands there in a row, or outside of rows. */
  const stands = (key: string, row: string) => (copy.stateOf(key, row) ?? copy.view(key).state).shown;

  /** The row that stands for all, for a section that itself stands in rows. */
  function rowAround(section: string): string {
    const around = copy.around(section);
    return around ? (copy.rowsOf(around)?.[0] ?? "") : "";
  }

  /** Whether the click that follows has been taken for pointing already. */
  let taken = false;

  /** While a condition waits for a field, a click in the document is its answer: on a choice, that choice. */
  function point(event: MouseEvent) {
    if (event.type === "click" && taken) {
      taken = false;
      event.preventDefault();
      event.stopPropagation();
      return;
    }
    if (!copy.pointing || event.type !== "mousedown") return;
    const target = event.target as HTMLElement;
    const key = target.closest<HTMLElement>("[data-key]")?.dataset.key;
    if (!key || copy.nodes.get(key)?.node.type !== "field" || target.closest(".margin")) return;
    event.preventDefault();
    event.stopPropagation();
    taken = true;
    const choice = target.closest("label")?.querySelector("input")?.value ?? null;
    copy.pointing(key, choice === "=" ? "other" : choice);
  }

  function rowLook(section: string, row: string): string {
    const state = copy.inRows.get(address(section, row));
    return state?.type === "row" ? lookClass(state.look) : "";
  }

  function rowWords(section: string, row: string): string {
    const state = copy.inRows.get(address(section, row));
    return state?.type === "row" ? state.look.words : "";
  }

  function pageTitle(page: string): string {
    const node = copy.view(page).node;
    return node.type === "page" ? node.title : "";
  }

  /** Folded items have a row of their own; the others stand side by side as the reader sees them. */
  const width = (key: string, row: string) => (stands(key, row) ? parts(copy.view(key).node) : 6);

  function count(section: string): string {
    const fields = copy.within(section).filter((key) => copy.view(key).node.type === "field").length;
    return fields ? `${fields} ${fields === 1 ? "field" : "fields"}` : "";
  }
</script>

{#snippet logic(keys: string[])}
  <div class="relative">
    {#each keys as key (key)}
      <Note view={copy.view(key)} named={keys.length > 1} covered={copy.selected === key} />
      {#if copy.selected === key}{#if copy.also.size}<SeveralEditor />{:else}<ItemEditor {key} />{/if}{/if}
    {/each}
  </div>
{/snippet}

{#snippet block(section: string, number: string, top: boolean)}
  {#if isToBeSeen(section)}{@render wholeBlock(section, number, top)}{/if}
{/snippet}

{#snippet wholeBlock(section: string, number: string, top: boolean)}
  {@const view = copy.view(section)}
  {@const node = view.node}
  {@const rowsNow = copy.rowsOf(section)}
  <Line depth={depth(section)} open={copy.selected === section}>
    {#snippet sheet()}
      <div class={["py-2", !top && "pl-3"]}>
        <Movable key={section} kind="section">
          {#if !shown(section)}
            <Slip at={section} name={`${number} ${view.name}`} inside={count(section)} reason={view.folded} />
          {:else if node.type === "section"}
            <h2 class="flex gap-1.5 text-reading leading-6 font-semibold">
              <span class="soft font-medium">{number}</span>
              <span class="min-w-0 grow">
                {#if copy.selected === section || !node.title}
                  <EditableText
                    value={node.title}
                    label="Title of the section"
                    placeholder="Section without a title"
                    onchange={(label) => copy.edit({ type: "relabel", key: section, label })}
                  />
                {:else}{node.title}{/if}
              </span>
            </h2>
            {#if node.help}<p class="soft text-note">{node.help}</p>{/if}
          {/if}
        </Movable>
      </div>
    {/snippet}
    {#snippet margin()}{@render logic([section])}{/snippet}
  </Line>
  {#if !isSlip(section)}
    {@render items(section, rowsNow?.[0] ?? rowAround(section))}
    {#each rowsNow?.slice(1) ?? [] as row, i (row)}
      <Line depth={depth(section)}>
        {#snippet sheet()}
          <div class={["more", rowLook(section, row)]}>
            <span class="soft text-note">Row {i + 2}</span>
            <Button
              look="underlined"
              class="soft ml-2"
              onclick={() => copy.tryOut(section, rowsNow!.filter((it) => it !== row).join(","))}
              >Remove</Button
            >
            {#if rowWords(section, row)}<p class="text-note">{rowWords(section, row)}</p>{/if}
            {@render again(section, row)}
          </div>
        {/snippet}
      </Line>
    {/each}
    <Line depth={depth(section)}>
      {#snippet sheet()}
        {#if rowsNow && node.type === "section" && rowsNow.length < (node.rows?.most ?? 0)}
          <Button class="my-1" onclick={() => copy.tryOut(section, withRow(rowsNow, copy.answers).join(","))}
            >Add a row</Button
          >
        {/if}
        {#if isLastOfSheet(section)}<InsertLine
            holder={section}
            after={copy.inside(section).at(-1) ?? null}
            words={copy.inside(section).length
              ? sheetOf(copy.nodes.get(copy.holder(section)))
                ? "Ask something that has no place on the page …"
                : "Add here …"
              : "Add the first question: write its label, or a kind"}
            first={!copy.inside(section).length}
          />{/if}
      {/snippet}
    </Line>
  {/if}
{/snippet}

{#snippet items(section: string, row: string)}
  {#each rows(unplaced(section), (key) => width(key, row)) as line (line[0])}
    {#if copy.view(line[0]!).node.type === "section"}
      {@render block(line[0]!, "", false)}
    {:else}
      <Line
        depth={Math.max(...line.map(depth))}
        open={line.includes(copy.selected ?? "") || line.includes(inserting ?? "")}
      >
        {#snippet sheet()}
          <div
            class={[
              "row",
              line.every((key) => !stands(key, row)) && "folded",
              row && rowLook(copy.around(section) ?? section, row),
            ]}
          >
            {#each line as key (key)}
              <div style:grid-column={`span ${width(key, row)}`}>
                <Movable {key}>
                  {#if stands(key, row)}<InPlace {key} {row} />{:else}<Slip
                      at={address(key, row)}
                      name={copy.view(key).name}
                      reason={copy.view(key).folded}
                    />{/if}
                </Movable>
              </div>
            {/each}
          </div>
          {#if inserting && line.includes(inserting)}
            <InsertLine holder={section} after={inserting} onclose={onclosed} />
          {/if}
        {/snippet}
        {#snippet margin()}{@render logic(line)}{/snippet}
      </Line>
    {/if}
  {/each}
{/snippet}

<!-- A further row: fillable like the first; its logic stands beside the first. -->
{#snippet again(section: string, row: string)}
  {#each rows( copy
      .inside(section)
      .filter((key) => stands(key, row)), (key) => width(key, row) ) as line (line[0])}
    {#if copy.view(line[0]!).node.type === "section"}
      {@render again(line[0]!, row)}
    {:else}
      <div class="row">
        {#each line as key (key)}
          <div style:grid-column={`span ${width(key, row)}`}><InPlace {key} {row} /></div>
        {/each}
      </div>
    {/if}
  {/each}
{/snippet}

<!-- svelte-ignore a11y_no_noninteractive_tabindex (a part that scrolls is reachable by keyboard) -->
<div
  id="desk"
  class="min-h-0 overflow-y-auto px-5 pt-4 pb-[60vh]"
  role="region"
  aria-label="Document and margin"
  tabindex="0"
  class:pointing={!!copy.pointing}
  onmousedowncapture={point}
  onclickcapture={point}
>
  <div
    dir={copy.settings?.rightToLeft ? "rtl" : undefined}
    style:--item-gap={{ compact: "3px", normal: "7px", roomy: "13px" }[
      copy.settings?.pageSettings.spacing ?? "normal"
    ]}
    class="ground relative flex min-h-[calc(100vh-130px)] flex-col border-y"
    bind:this={ground}
  >
    <Line top open={copy.ofDocument}>
      {#snippet sheet()}
        <div class="text-display leading-tight font-semibold">
          <EditableText
            value={copy.title}
            label="Title of the document"
            onchange={(title) => copy.edit(() => ({ type: "retitle", title, subtitle: copy.subtitle }))}
          />
        </div>
        <div class="soft mb-3 text-note leading-6">
          <EditableText
            value={copy.subtitle}
            label="Subtitle"
            placeholder="A line under the title"
            onchange={(subtitle) => copy.edit(() => ({ type: "retitle", title: copy.title, subtitle }))}
          />
        </div>
      {/snippet}
      {#snippet margin()}
        <div class="relative">
          <!-- It keeps its place under the card, so that nothing moves when that opens or closes. -->
          <div class={["whole", copy.ofDocument && "invisible"]}>
            {#each copy.settings?.finish ?? [] as { rule, sentence }, i (i)}
              <p><Said parts={sentence.parts} /> <Now met={!copy.unmet.includes(rule.message)} /></p>
            {/each}
            {#each (copy.settings?.roles ?? []).filter(({ role }) => role.takesPart) as { role, takesPart } (role.key)}
              <p><Said parts={takesPart.parts} /></p>
            {/each}
            <Button look="bare" class="open" onclick={() => copy.openDocument(true)}
              >The document as a whole …</Button
            >
          </div>
          {#if copy.ofDocument}<DocumentEditor />{/if}
        </div>
      {/snippet}
    </Line>
    {#each pages as page (page)}
      {#if pages.length > 1}
        <Line depth={depth(page)} open={copy.selected === page}>
          {#snippet sheet()}
            <div class="page">
              <Movable key={page} kind="page">
                {#if shown(page)}
                  <EditableText
                    value={pageTitle(page)}
                    label="Title of the page"
                    placeholder="Page without a title"
                    onchange={(label) => copy.edit({ type: "relabel", key: page, label })}
                  />
                {:else}
                  <Slip at={page} name={copy.view(page).name} inside="page" reason={copy.view(page).folded} />
                {/if}
              </Movable>
            </div>
          {/snippet}
          {#snippet margin()}{@render logic([page])}{/snippet}
        </Line>
      {/if}
      {#if sheetOf(copy.view(page)) && shown(page)}<SheetDesk
          {page}
          {placed}
          inks={filled.get(page) ?? NOTHING}
        />{/if}
      {#each copy.inside(page) as section, place (section)}
        <svelte:element
          this={wrap}
          class="part"
          style:--lines={copy.inside(section).length + 2}
          novalidate={true}
          onsubmit={(event: Event) => event.preventDefault()}
        >
          {#if isMade(page, place) || copy.within(section).includes(copy.selected ?? "")}
            {@render block(section, number(section), true)}
          {/if}
        </svelte:element>
      {/each}
    {/each}
    <Line rest />
    <Threads {ground} />
  </div>
</div>

<style>
  /* Under the lines the sheet and its margin go on, so that no seam is seen between them. */
  .ground {
    background: linear-gradient(to right, var(--color-paper) 57%, var(--color-straw) 57%);
  }

  /* What is not in sight is not laid out and painted, so that a long document is edited as fast as a short one. */
  .part {
    content-visibility: auto;
    contain-intrinsic-size: auto calc(84px * var(--lines));
  }

  .part:has(:global(.line.open)),
  .part:focus-within {
    content-visibility: visible;
  }

  .whole {
    padding: 3px 14px 5px 16px;
    font: var(--text-sheet)/1.42 var(--font-margin);
  }

  .whole :global(.open) {
    font: var(--text-note) var(--font-chrome);
    color: var(--color-soft);
    text-decoration: underline;
    padding-block: 4px;
  }

  .row {
    display: grid;
    grid-template-columns: repeat(6, minmax(0, 1fr));
    column-gap: 14px;
    padding-block: var(--item-gap, 7px);
  }

  /* A slip is as tall as what the margin says beside it. */
  .row.folded {
    min-height: 100%;
  }

  .row.folded > div,
  .row.folded :global(.movable) {
    display: grid;
    align-content: stretch;
    min-width: 0;
  }

  .pointing :global(.movable:hover) {
    outline: 2px dashed var(--color-river);
    outline-offset: 3px;
    cursor: crosshair;
  }

  .more {
    border-left: 2px solid var(--color-line);
    padding: 4px 0 4px 10px;
    margin-block: 6px;
  }

  .page {
    border-top: 1px dashed var(--color-edge);
    margin-top: 14px;
    padding-top: 10px;
    font-size: var(--text-title);
    font-weight: 600;
  }
</style>
