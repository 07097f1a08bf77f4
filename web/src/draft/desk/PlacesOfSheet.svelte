<script lang="ts">
  import Button from "../../ui/light/Button.svelte";
  import SheetPaper from "../../document/SheetPaper.svelte";
  import { placeStyle } from "../../document/sheets";
  import { workingCopy } from "../context";
  import { drawn, MILLIMETRE, moved, resized } from "../placing";
  import { boxAt, snappedMove, snappedSize, titleOf } from "../proposals";
  import type { Placing } from "../placing.svelte";
  import NewPlace from "./NewPlace.svelte";

  let { placing, source }: { placing: Placing; source: string } = $props();

  const copy = workingCopy();
  const { places, selected, sheet, page, fresh } = $derived(placing);
  let band = $state.raw<ReturnType<typeof drawn> | null>(null);
  let ground = $state<HTMLElement>();

  /** Where the pointer is on the page, in hundredths of a millimetre. */
  function point(event: MouseEvent) {
    const box = ground!.getBoundingClientRect();
    const scale = sheet.width / box.width;
    return { x: (event.clientX - box.left) * scale, y: (event.clientY - box.top) * scale };
  }

  /** Follows the pointer until it is let go. */
  function follow(
    event: PointerEvent,
    move: (dx: number, dy: number, to: { x: number; y: number }, free: boolean) => void,
    end: () => void,
  ) {
    const from = point(event);
    const moving = (next: PointerEvent) => {
      const to = point(next);
      move(to.x - from.x, to.y - from.y, to, next.altKey);
    };
    const done = () => {
      removeEventListener("pointermove", moving);
      removeEventListener("pointerup", done);
      removeEventListener("pointercancel", done);
      end();
    };
    addEventListener("pointermove", moving);
    addEventListener("pointerup", done);
    addEventListener("pointercancel", done);
  }

  function drag(event: PointerEvent, i: number, make: typeof moved) {
    if (event.button !== 0) return;
    event.stopPropagation();
    const more = event.shiftKey || event.ctrlKey || event.metaKey;
    if (more || !placing.selected.has(i)) placing.pick(i, more);
    const before = placing.places;
    let after = before;
    const snapped = make === moved ? snappedMove : snappedSize;
    follow(
      event,
      (dx, dy, _, free) => {
        const lines = placing.found?.page;
        const [x, y] = lines && !free ? snapped(before[i]!, dx, dy, lines) : [dx, dy];
        placing.dragging = after = make(before, placing.selected, x, y, sheet);
      },
      () => (after === before ? (placing.dragging = null) : placing.keep(after)),
    );
  }

  function draw(event: PointerEvent) {
    if (event.button !== 0) return;
    const from = point(event);
    placing.clear();
    follow(
      event,
      (_, __, to) => (band = drawn(from, to, sheet)),
      () => {
        if (band && band.width >= 2 * MILLIMETRE && band.height >= 2 * MILLIMETRE) placing.fresh = band;
        band = null;
      },
    );
  }

  /** The printed box under the pointer becomes a place. */
  function takeBox(event: MouseEvent) {
    const { x, y } = point(event);
    const box = boxAt(placing.found?.page ?? null, x, y);
    if (box)
      placing.fresh = drawn(
        { x: box.left, y: box.top },
        { x: box.left + box.width, y: box.top + box.height },
        sheet,
      );
  }

  const ARROWS: Record<string, [number, number]> = {
    ArrowLeft: [-1, 0],
    ArrowRight: [1, 0],
    ArrowUp: [0, -1],
    ArrowDown: [0, 1],
  };

  /** Keys that mean places here mean the items of the document elsewhere; they do not do both. */
  function press(event: KeyboardEvent) {
    const arrow = ARROWS[event.key];
    if (arrow && selected.size) {
      const step = event.shiftKey ? MILLIMETRE / 10 : MILLIMETRE;
      const [x, y] = arrow;
      placing.change((all, which) => (event.altKey ? resized : moved)(all, which, x * step, y * step, sheet));
    } else if ((event.key === "Delete" || event.key === "Backspace") && selected.size) placing.remove();
    else if (event.key === "Escape") placing.clear();
    else if (event.key === "a" && (event.ctrlKey || event.metaKey)) placing.selected = new Set(places.keys());
    else return;
    event.preventDefault();
    event.stopPropagation();
  }
</script>

<!-- svelte-ignore a11y_no_static_element_interactions (drawing has its other way by keyboard: the button in the margin) -->
<div bind:this={ground} onpointerdown={draw} ondblclick={takeBox} onkeydown={press} class="ground">
  <SheetPaper {sheet} {source} label={`${copy.view(page).name}, as it is printed`}>
    {#each places as place, i (i)}
      <Button
        look="bare"
        class={["place", selected.has(i) && "selected"]}
        style={placeStyle(place, sheet)}
        aria-pressed={selected.has(i)}
        aria-label={placing.nameOf(place)}
        title={placing.nameOf(place)}
        onpointerdown={(event) => drag(event, i, moved)}
        onclick={(event) => event.detail === 0 && placing.pick(i, event.shiftKey || event.ctrlKey)}
        ondblclick={(event) => {
          event.stopPropagation();
          copy.select(place.item);
        }}
      >
        <span class="name">{placing.nameOf(place)}</span>
        {#if selected.has(i)}
          <!-- svelte-ignore a11y_no_static_element_interactions (by keyboard: Alt and an arrow) -->
          <span class="corner" onpointerdown={(event) => drag(event, i, resized)}></span>
        {/if}
      </Button>
    {/each}
    {#each placing.proposals as proposal (proposal.number)}
      {#each proposal.marks.length ? proposal.marks : [proposal] as { place }, i (i)}
        <Button
          look="bare"
          class={["proposed", placing.shown === proposal.number && "shown"]}
          style={placeStyle(place, sheet)}
          aria-label={`Take: ${titleOf(proposal)}`}
          title={titleOf(proposal)}
          tabindex={i === 0 ? 0 : -1}
          aria-hidden={i > 0}
          onpointerdown={(event) => event.stopPropagation()}
          onpointerenter={() => (placing.shown = proposal.number)}
          onpointerleave={() => (placing.shown = null)}
          onclick={() => placing.take([proposal])}
        />
      {/each}
    {/each}
    {#if band ?? fresh}
      <span class="band" style={placeStyle((band ?? fresh)!, sheet)}></span>
    {/if}
    {#if fresh}
      <NewPlace {page} place={fresh} {sheet} onclose={() => (placing.fresh = null)} />
    {/if}
  </SheetPaper>
</div>

<style>
  .ground {
    touch-action: none;
    cursor: crosshair;
  }

  .ground :global(.place) {
    position: absolute;
    padding: 0;
    overflow: hidden;
    border: 1px dashed var(--color-river);
    background: rgb(47 111 159 / 10%);
    color: var(--color-river);
    cursor: move;
    text-align: start;
  }

  .ground :global(.place.selected) {
    border-style: solid;
    background: rgb(210 160 42 / 22%);
    outline: 1px solid var(--color-card-edge);
    overflow: visible;
  }

  .ground :global(.proposed) {
    position: absolute;
    padding: 0;
    border: 1.5px dashed var(--color-card-edge);
    background: rgb(210 160 42 / 8%);
    cursor: copy;
  }

  .ground :global(.proposed:is(:hover, :focus-visible, .shown)) {
    border-style: solid;
    background: rgb(210 160 42 / 28%);
  }

  .name {
    position: absolute;
    inset: 0;
    overflow: hidden;
    padding-inline: 2px;
    font-size: 1.5cqw;
    line-height: 1.3;
    white-space: nowrap;
  }

  .corner {
    position: absolute;
    right: -5px;
    bottom: -5px;
    width: 10px;
    height: 10px;
    background: var(--color-card-edge);
    border: 1px solid #fff;
    cursor: nwse-resize;
  }

  .band {
    position: absolute;
    border: 1px solid var(--color-river);
    background: rgb(47 111 159 / 15%);
  }
</style>
