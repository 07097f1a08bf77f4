<script lang="ts">
  import Button from "../ui/light/Button.svelte";
  import type { Folding, Node, NodeState } from "../api/types";
  import { address, withRow } from "../document/answers";
  import { folds } from "../document/folds";
  import Indicated from "../document/Indicated.svelte";
  import { isProse, lookClass, lookStyle } from "../document/looks";
  import Mark from "../document/Mark.svelte";
  import Passages from "../document/Passages.svelte";
  import PictureItem from "../document/PictureItem.svelte";
  import { parts, rows } from "../document/rows";
  import type { Filling } from "./filling.svelte";
  import Given from "./Given.svelte";
  import Question from "./Question.svelte";
  import Self from "./SectionBody.svelte";

  let {
    filling,
    key,
    row = "",
    level = 2,
  }: { filling: Filling; key: string; row?: string; level?: 2 | 3 } = $props();

  const AT_ONCE: Folding = { keepsSpace: false, motion: "none", milliseconds: 0 };
  const sheet = $derived(filling.sheet!);
  const at = $derived(address(key, row));
  const node = $derived(sheet.nodes[key] as Extract<Node, { type: "section" }>);
  const stand = $derived(sheet.states[at] as Extract<NodeState, { type: "section" }>);
  const names = $derived(stand.rows);
  let opened = $state(false);
  /** What concerns only others is closed, and can be looked into. */
  const isOthers = $derived(
    level === 2 && !!node.title && filling.concerns !== null && !filling.concerns.has(key),
  );
  const isUsuallyOpen = $derived(stand.open && !isOthers);
  const isOpen = $derived(isUsuallyOpen || opened);
  /** Rows belong to whoever answers in them. */
  const mayChangeRows = $derived((sheet.held[key] ?? []).some((item) => !filling.isOthers(item)));
  const stateOf = (item: string, inRow: string) => sheet.states[address(item, inRow)];
  const folding = (item: string): Folding => {
    const it = sheet.nodes[item];
    return it && "folding" in it ? it.folding : AT_ONCE;
  };
  /** What is there, and what is folded but keeps its place. */
  const standing = (inRow: string) =>
    (sheet.held[key] ?? []).filter((item) => {
      const now = stateOf(item, inRow);
      return now && (now.shown || folding(item).keepsSpace);
    });

  const setRows = (to: string[]) => filling.type(key, to.join(","));

  function move(name: string, step: -1 | 1) {
    const order = [...(names ?? [])];
    const from = order.indexOf(name);
    order.splice(from, 1);
    order.splice(from + step, 0, name);
    setRows(order);
  }
</script>

{#snippet items(inRow: string)}
  {#each rows(standing(inRow), (item) => parts(sheet.nodes[item]!)) as line (line[0])}
    <div class="row">
      {#each line as item (item)}
        {@const it = sheet.nodes[item]!}
        {@const now = stateOf(item, inRow)}
        <div
          style:--sixths={it.type === "field" ? parts(it) : 6}
          class={[now && !now.shown && "invisible"]}
          inert={now && !now.shown}
          transition:folds={folding(item)}
        >
          {#if it.type === "section"}
            <Self {filling} key={item} row={inRow} level={3} />
          {:else if it.type === "field" && now?.type === "field" && filling.isOthers(item)}
            <Given field={it} stand={now} typed={filling.typed[address(item, inRow)]} />
          {:else if it.type === "field" && now?.type === "field"}
            <Question
              field={it}
              at={address(item, inRow)}
              stand={now}
              typed={filling.typed[address(item, inRow)]}
              message={filling.message(address(item, inRow), now)}
              ontyped={(text) => filling.type(address(item, inRow), text)}
              onleave={() => filling.left.add(address(item, inRow))}
            />
          {:else if it.type === "notice" && now?.type === "notice" && now.text.length}
            <div
              class={[isProse(it, now.look) ? "text-sheet" : "notice", lookClass(now.look)]}
              style={lookStyle(now.look)}
            >
              <Passages text={now.text} number={now.number} />
            </div>
          {:else if it.type === "indicator" && now?.type === "indicator" && now.band}
            <div class="text-sheet" role="status">
              {#if it.label}<div class="mb-1 font-semibold">{it.label}</div>{/if}
              <Indicated indicator={it} band={now.band} />
            </div>
          {:else if it.type === "picture"}
            <PictureItem picture={it} typed={filling.typed[address(it.follows, inRow)] ?? ""} />
          {:else if it.type === "divider"}
            <hr />
          {/if}
        </div>
      {/each}
    </div>
  {/each}
{/snippet}

<section
  id={`s-${at}`}
  tabindex="-1"
  class={["section", level === 3 && "inner", lookClass(stand.look)]}
  style={lookStyle(stand.look)}
  transition:folds={level === 2 ? node.folding : AT_ONCE}
  aria-label={node.title || undefined}
>
  {#if node.title}
    <svelte:element
      this={`h${level}`}
      class={level === 2 ? "text-base font-semibold" : "text-reading font-semibold"}
    >
      {#if stand.number}<span class="soft me-1 font-medium">{stand.number}</span>{/if}
      {#if isUsuallyOpen}{node.title}{:else}
        <Button look="bare" aria-expanded={isOpen} onclick={() => (opened = !opened)}>
          <span aria-hidden="true">{isOpen ? "▾" : "▸"}</span>
          {node.title}
        </Button>
      {/if}
    </svelte:element>
    {#if node.help}<p class="soft mt-0.5">{node.help}</p>{/if}
  {/if}
  {#if isOpen}
    <svelte:element this={level === 2 ? filling.wrap : "div"} novalidate={true}>
      {#if names}
        {#each names as name, i (name)}
          {@const whole = stateOf(key, name)}
          <div
            class={["repeated", whole?.type === "row" && lookClass(whole.look)]}
            style={whole?.type === "row" ? lookStyle(whole.look) : undefined}
            role="group"
            aria-label={`${node.title || "Row"} ${i + 1}`}
          >
            <div class="flex items-center gap-3">
              <span class="text-chrome font-semibold">{i + 1}</span>
              <span class="ms-auto flex gap-3 text-chrome">
                {#if mayChangeRows && i > 0}
                  <Button look="underlined" class="soft" onclick={() => move(name, -1)}
                    >Up<span class="sr-only">, {node.title} {i + 1}</span></Button
                  >
                {/if}
                {#if mayChangeRows && i < names.length - 1}
                  <Button look="underlined" class="soft" onclick={() => move(name, 1)}
                    >Down<span class="sr-only">, {node.title} {i + 1}</span></Button
                  >
                {/if}
                {#if mayChangeRows && names.length > (node.rows?.least ?? 0)}
                  <Button
                    look="underlined"
                    class="soft"
                    onclick={() => setRows(names.filter((it) => it !== name))}
                    >Remove<span class="sr-only"> {node.title} {i + 1}</span></Button
                  >
                {/if}
              </span>
            </div>
            {#if whole?.type === "row" && whole.look.words}
              <p class="mt-1 flex items-center gap-1.5 text-chrome" role="status">
                <Mark mark={whole.look.mark} />{whole.look.words}
              </p>
            {/if}
            {@render items(name)}
          </div>
        {/each}
        {#if stand.problem}<p class="trouble mt-2">{stand.problem}</p>{/if}
        {#if mayChangeRows && names.length < (node.rows?.most ?? 0)}
          <Button class="mt-3" id={`f-${key}`} onclick={() => setRows(withRow(names, filling.typed))}>
            Add {names.length ? "another" : "the first"}
          </Button>
        {/if}
      {:else}
        {@render items(row)}
      {/if}
    </svelte:element>
  {/if}
</section>

<style>
  /* What is not in sight is not laid out and painted, so that a long document answers a key as fast as a short one. */
  .section {
    margin: 24px -8px 0;
    padding: 4px 8px;
    content-visibility: auto;
    contain-intrinsic-size: auto 500px;
  }

  .inner {
    content-visibility: visible;
    margin-inline: 0;
    border-inline-start: 3px solid var(--color-line);
    padding-inline-start: 14px;
    margin-top: 18px;
  }

  .row {
    display: grid;
    grid-template-columns: repeat(6, minmax(0, 1fr));
    column-gap: 16px;
    align-items: start;
  }

  .row > :global(*) {
    grid-column: span 6;
    margin-top: var(--item-gap, 16px);
  }

  .row hr {
    border-color: var(--color-line);
  }

  @media (min-width: 560px) {
    .row > :global(*) {
      grid-column: span var(--sixths);
    }
  }

  .repeated {
    border: 1px solid var(--color-line);
    border-radius: var(--radius-lg);
    padding: 8px 14px 14px;
    margin-top: 12px;
  }

  .repeated[class*="shade-"] {
    border-width: 1px 1px 1px 5px;
  }

  .notice {
    border-inline-start: 3px solid var(--color-straw-line);
    padding: 10px 14px;
    font-size: var(--text-sheet);
  }

  .notice:not([class*="shade-"]) {
    background: var(--color-straw);
  }
</style>
