<script lang="ts">
  import { tick, untrack } from "svelte";
  import { workingCopy } from "../draft/context";
  import Button from "../ui/Button.svelte";
  import Input from "../ui/Input.svelte";
  import Pagination from "../ui/Pagination.svelte";
  import Table from "../ui/Table.svelte";
  import TableHead from "../ui/TableHead.svelte";
  import {
    besideOf,
    type Block,
    canSet,
    COLUMNS_AT_ONCE,
    columnsNamed,
    isFollowed,
    isIn,
    nextRow,
    patterns,
    said,
  } from "./cells";
  import type { Reaching } from "./reaching.svelte";

  let { reaching, onask }: { reaching: Reaching; onask: (row: number, column: number) => void } = $props();

  const copy = workingCopy();
  const table = $derived(reaching.table!);
  const core = $derived(patterns(table.rows));
  let block = $state<Block | null>(null);
  let isDragging = $state(false);
  let at = $state({ row: 0, column: 0 });
  let body = $state<HTMLElement>();
  let only = $state("");
  let page = $state(0);
  const named = $derived(columnsNamed(table.columns, only));
  const inSight = $derived(named.slice(page * COLUMNS_AT_ONCE, (page + 1) * COLUMNS_AT_ONCE));

  /** What was added last, of which the page was turned to. */
  let goneTo: string | undefined;

  // A page that is no more is left, and what is added is gone to.
  $effect(() => {
    const last = Math.max(0, Math.ceil(named.length / COLUMNS_AT_ONCE) - 1);
    if (untrack(() => page) > last) page = last;
  });
  $effect(() => {
    const added = reaching.besides.at(-1);
    const column = table.columns.findIndex((each) => added && besideOf(each) === added);
    if (column < 0 || added === goneTo) return;
    goneTo = added;
    untrack(() => turnTo(column));
  });

  /** The column that Tab comes to: the one that was left, or the first in sight. */
  const reachable = $derived(inSight.includes(at.column) ? at.column : (inSight[0] ?? 0));

  function turnTo(column: number) {
    if (!named.includes(column)) only = "";
    page = Math.floor(Math.max(0, named.indexOf(column)) / COLUMNS_AT_ONCE);
  }

  function begin(event: PointerEvent, row: number, column: number) {
    if (event.button !== 0 || !reaching.isPaintable || !canSet(table, row, column)) return;
    isDragging = true;
    block = { row, column, toRow: row, toColumn: column };
  }

  function over(row: number, column: number) {
    if (isDragging && block) block = { ...block, toRow: row, toColumn: column };
  }

  async function end() {
    if (!isDragging || !block) return;
    isDragging = false;
    await paint();
  }

  async function paint() {
    const painted = block;
    block = null;
    if (painted) await reaching.paint(painted, inSight);
  }

  async function move(row: number, column: number) {
    at = { row, column };
    turnTo(column);
    await tick();
    body?.querySelector<HTMLElement>(`[data-at="${row}/${column}"]`)?.focus();
  }

  const STEPS: Record<string, [number, number]> = {
    ArrowUp: [-1, 0],
    ArrowDown: [1, 0],
    ArrowLeft: [0, -1],
    ArrowRight: [0, 1],
  };

  /** Arrows go from cell to cell, with Shift they take more of them, Enter and Space set what is taken. */
  function press(event: KeyboardEvent, row: number, column: number) {
    const step = STEPS[event.key];
    if (step) {
      event.preventDefault();
      const [down, right] = step;
      const toRow = nextRow(table, row, down);
      const place = named.indexOf(column) + right;
      const toColumn = named[Math.max(0, Math.min(named.length - 1, place))] ?? column;
      if (!event.shiftKey) block = null;
      else if (reaching.isPaintable && canSet(table, row, column))
        block = { ...(block ?? { row, column }), toRow, toColumn };
      void move(toRow, toColumn);
    } else if (event.key === "Escape") {
      block = null;
      isDragging = false;
    }
  }

  /** Without a pointer, a cell that is pressed is set alone or with what was taken. */
  function click(event: MouseEvent, row: number, column: number) {
    if (!reaching.isHeld) onask(row, column);
    else if (
      event.detail === 0 &&
      reaching.isPaintable &&
      canSet(table, block?.row ?? row, block?.column ?? column)
    ) {
      block ??= { row, column, toRow: row, toColumn: column };
      void paint();
    }
  }

  function label(row: number, column: number): string {
    const { name, heading } = table.columns[column]!;
    const cell = table.cells[row]![column]!;
    return `${said(cell, table.columns[column]!) || "nothing"}, ${name}, ${heading}, ${table.rows[row]!.words}`;
  }
</script>

<svelte:window onpointerup={end} />

<!-- The answers line by line, and what becomes of everything that follows. -->
{#if table.columns.length > COLUMNS_AT_ONCE || only}
  <div class="mb-2 flex flex-wrap items-center gap-3 print-hidden">
    <Input
      width="16rem"
      aria-label="Only followers called"
      placeholder="only followers called …"
      maxlength={200}
      bind:value={only}
      oninput={() => (page = 0)}
    />
    <span class="soft" role="status">{named.length} of {table.columns.length} followers</span>
  </div>
{/if}
<div class={["scroll", reaching.isLooking && "old"]} aria-busy={reaching.isLooking} bind:this={body}>
  <Table framed={false} label={`What ${copy.nodes.get(reaching.field)?.name ?? ""} reaches`}>
    {#snippet heads()}
      <TableHead><span class="sr-only">Core</span></TableHead>
      <TableHead>{copy.nodes.get(reaching.field)?.name ?? ""}</TableHead>
      {#each inSight as column (column)}
        {@const { key, name, heading } = table.columns[column]!}
        <TableHead title={`${name}: ${heading}`}>
          <span class="head">
            {#if copy.nodes.has(key)}<Button
                look="bare"
                class="head-name"
                onclick={() => copy.select(key, true)}>{name}</Button
              >{:else}<b class="head-name">{name}</b>{/if}
            <span class="about"
              >{heading}{isFollowed(table, column, reaching.besides) ? "" : ", does not follow yet"}</span
            >
          </span>
        </TableHead>
      {/each}
    {/snippet}
    {#snippet body()}
      {#each table.rows as { shape, words }, row (row)}
        <tr class={[shape === "exactly" && "edge-line"]}>
          <td class="core"><span class={core[row]}></span></td>
          <th scope="row" class="words">{words}</th>
          {#if shape === "refused"}
            <td class="soft px-3" colspan={Math.max(1, inSight.length)}>not accepted</td>
          {:else}
            {#each inSight as place (place)}
              {@const column = table.columns[place]!}
              {@const cell = table.cells[row]![place]!}
              <td
                class={[
                  "reached",
                  cell.isTrouble && "dead-end",
                  isIn(block, row, place) && "taken",
                  reaching.isHeld && canSet(table, row, place) && "settable",
                ]}
                onpointerdown={(event) => begin(event, row, place)}
                onpointerenter={() => over(row, place)}
              >
                <Button
                  look="bare"
                  class="inside"
                  data-at={`${row}/${place}`}
                  tabindex={at.row === row && reachable === place ? 0 : -1}
                  aria-label={label(row, place)}
                  onfocus={() => (at = { row, column: place })}
                  onkeydown={(event: KeyboardEvent) => press(event, row, place)}
                  onclick={(event: MouseEvent) => click(event, row, place)}
                >
                  {#if cell.becomes === "yes" || cell.becomes === "no" || cell.becomes === "depends"}<span
                      class={["mark", cell.becomes]}
                      aria-hidden="true"
                    ></span>{/if}
                  <span class={cell.becomes}>{said(cell, column)}</span>
                </Button>
              </td>
            {/each}
          {/if}
        </tr>
      {/each}
    {/snippet}
  </Table>
</div>
<div class="print-hidden">
  <Pagination
    {page}
    size={COLUMNS_AT_ONCE}
    found={named.length}
    what="followers"
    ongo={(to) => (page = to)}
  />
</div>

<style>
  .scroll {
    overflow-x: auto;
  }

  .old {
    opacity: 0.6;
  }

  .head {
    display: grid;
    min-width: 6.5rem;
    max-width: 12rem;
    justify-items: start;
    white-space: normal;
  }

  .head :global(.head-name) {
    display: -webkit-box;
    overflow: hidden;
    color: var(--color-ink);
    font-weight: 600;
    text-align: left;
    overflow-wrap: anywhere;
    -webkit-box-orient: vertical;
    -webkit-line-clamp: 2;
    line-clamp: 2;
  }

  .about {
    display: -webkit-box;
    overflow: hidden;
    color: var(--color-soft);
    font-weight: 400;
    -webkit-box-orient: vertical;
    -webkit-line-clamp: 2;
    line-clamp: 2;
  }

  tr {
    border-bottom: 1px solid var(--color-line);
  }

  .words {
    position: sticky;
    left: 0;
    padding: 6px 12px;
    background: var(--color-paper);
    font-weight: 600;
    text-align: left;
    white-space: nowrap;
  }

  .edge-line,
  .edge-line .words {
    background: var(--color-straw);
  }

  .core {
    width: 40px;
    padding: 0;
  }

  .core span {
    display: block;
    width: 34px;
    height: 34px;
  }

  .core .empty {
    border: 1.5px dashed var(--color-soft);
  }

  .core .edge {
    height: 24px;
    background: linear-gradient(
      var(--color-river-tint) 40%,
      var(--color-ink) 40% 60%,
      var(--color-river-tint) 60%
    );
  }

  .core .layer-0 {
    background: radial-gradient(var(--color-moss) 1px, transparent 1.4px) 0 0 / 7px 7px var(--color-moss-tint);
  }

  .core .layer-1 {
    background: repeating-linear-gradient(var(--color-river-soft) 0 1px, transparent 1px 6px)
      var(--color-river-tint);
  }

  .core .layer-2 {
    background: repeating-linear-gradient(45deg, var(--color-gold) 0 2px, transparent 2px 8px)
      var(--color-ochre-tint);
  }

  .core .layer-3 {
    background: repeating-linear-gradient(90deg, var(--color-clay) 0 1px, transparent 1px 7px)
      var(--color-clay-tint);
  }

  .core .refused {
    background: repeating-linear-gradient(-45deg, var(--color-line) 0 5px, transparent 5px 10px);
  }

  .reached {
    padding: 0;
    user-select: none;
  }

  .settable {
    cursor: cell;
    touch-action: none;
  }

  .settable:hover {
    background: var(--color-river-tint);
  }

  .dead-end {
    background: var(--color-clay-tint);
    color: var(--color-clay);
    font-weight: 600;
  }

  .taken {
    outline: 2px solid var(--color-river);
    outline-offset: -2px;
    background: var(--color-river-tint);
  }

  .reached :global(.inside) {
    display: flex;
    width: 100%;
    min-height: 32px;
    align-items: center;
    justify-content: flex-start;
    gap: 7px;
    padding: 4px 12px;
    cursor: inherit;
    text-align: left;
    white-space: nowrap;
  }

  .mark {
    width: 13px;
    height: 13px;
    flex: none;
    border-radius: 3px;
  }

  .mark.yes {
    background: var(--color-moss);
  }

  .mark.no {
    border: 1.5px dashed var(--color-soft);
  }

  .mark.depends {
    border: 1.5px solid var(--color-ochre-ink);
    background: linear-gradient(135deg, var(--color-ochre-ink) 50%, transparent 50%);
  }

  .no,
  .folded,
  .never,
  .undecided {
    color: var(--color-soft);
  }

  .folded,
  .never {
    font-style: italic;
  }
</style>
