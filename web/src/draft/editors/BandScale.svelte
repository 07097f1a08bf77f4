<script lang="ts">
  import Button from "../../ui/Button.svelte";
  import type { Band } from "../../api/types";
  import { lookStyle } from "../../document/looks";

  let {
    bands,
    now,
    name,
    onchange,
  }: {
    bands: Band[];
    /** The band the number lies in now. */
    now: string | null;
    /** What a band is called. */
    name: (at: number) => string;
    /** Moves the upper edge of a band. */
    onchange: (at: number, edge: number) => void;
  } = $props();

  let box: HTMLElement;
  let dragged = $state<{ at: number; edge: number } | null>(null);

  const edges = $derived(bands.slice(0, -1).map(({ upTo }) => Number(upTo?.at ?? 0)));
  /** The scale goes as far beyond the outer edges as these lie apart. */
  const span = $derived.by(() => {
    const [first = 0, last = 0] = [edges[0], edges.at(-1)];
    const apart = last - first || Math.abs(first) || 10;
    return { from: first - apart / Math.max(1, edges.length), to: last + apart / Math.max(1, edges.length) };
  });
  const range = $derived(span.to - span.from);
  /** The step of the scale: the round number nearest below a hundredth of it. */
  const step = $derived(10 ** Math.floor(Math.log10(range / 60)));
  const shown = $derived(edges.map((edge, i) => (dragged?.at === i ? dragged.edge : edge)));
  const percent = (edge: number) => ((edge - span.from) / range) * 100;

  function fitting(at: number, wanted: number): number {
    const least = edges[at - 1] ?? -Infinity;
    const most = edges[at + 1] ?? Infinity;
    const rounded = Number((Math.round(wanted / step) * step).toPrecision(12));
    return rounded > least && rounded < most ? rounded : edges[at]!;
  }

  function drag(event: PointerEvent) {
    if (!dragged) return;
    const { left, width } = box.getBoundingClientRect();
    dragged.edge = fitting(dragged.at, span.from + ((event.clientX - left) / width) * range);
  }

  function drop() {
    if (dragged && dragged.edge !== edges[dragged.at]) onchange(dragged.at, dragged.edge);
    dragged = null;
  }

  function keyed(event: KeyboardEvent, at: number) {
    const by = { ArrowLeft: -1, ArrowDown: -1, ArrowRight: 1, ArrowUp: 1, PageUp: 10, PageDown: -10 }[
      event.key
    ];
    if (by === undefined || event.altKey || event.ctrlKey || event.metaKey) return;
    event.preventDefault();
    event.stopPropagation();
    const to = fitting(at, edges[at]! + by * step);
    if (to !== edges[at]) onchange(at, to);
  }
</script>

<div class="scale" bind:this={box}>
  {#each bands as band, i (band.id)}
    {@const from = i === 0 ? 0 : percent(shown[i - 1]!)}
    {@const to = i === bands.length - 1 ? 100 : percent(shown[i]!)}
    <span
      class={[
        "length",
        band.look.colours ? "shade-own" : `shade-${band.look.shade}`,
        band.id === now && "font-bold",
      ]}
      style={`left:${from}%;width:${to - from}%;${lookStyle(band.look) ?? ""}`}
      aria-hidden="true">{band.label}</span
    >
  {/each}
  {#each shown as edge, i (i)}
    <Button
      look="bare"
      class="cut"
      style={`left: ${percent(edge)}%`}
      role="slider"
      aria-label={`Where ${name(i)} ends`}
      aria-valuenow={edge}
      aria-valuemin={edges[i - 1] ?? span.from}
      aria-valuemax={edges[i + 1] ?? span.to}
      title="Drag, or use the arrow keys"
      onpointerdown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        dragged = { at: i, edge };
      }}
      onpointermove={drag}
      onpointerup={drop}
      onpointercancel={() => (dragged = null)}
      onkeydown={(event) => keyed(event, i)}><b>{String(edge)}</b></Button
    >
  {/each}
</div>

<style>
  .scale {
    position: relative;
    height: 42px;
    margin: 3px 6px 0;
  }

  .length {
    position: absolute;
    top: 3px;
    height: 18px;
    overflow: hidden;
    padding: 0 4px;
    text-align: center;
    text-overflow: ellipsis;
    white-space: nowrap;
    font-size: var(--text-note);
    line-height: 18px;
    border-block: 1px solid var(--color-line);
  }

  .scale :global(.cut) {
    position: absolute;
    top: 0;
    width: 24px;
    height: 24px;
    margin-left: -12px;
    cursor: ew-resize;
    touch-action: none;
  }

  .scale :global(.cut::before) {
    content: "";
    position: absolute;
    inset: 0 10px;
    border-radius: 2px;
    background: var(--color-ink);
  }

  .scale b {
    position: absolute;
    top: 24px;
    left: 50%;
    transform: translateX(-50%);
    font: var(--text-note) var(--font-key);
    color: var(--color-soft);
  }
</style>
