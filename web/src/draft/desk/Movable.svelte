<script lang="ts" module>
  /** What is being dragged now. */
  let dragged: { key: string; kind: "item" | "section" | "page" } | null = null;
</script>

<script lang="ts">
  import { KEYS } from "../shortcuts";
  import type { Snippet } from "svelte";
  import { workingCopy } from "../context";

  let {
    key,
    kind = "item",
    children,
  }: { key: string; kind?: "item" | "section" | "page"; children: Snippet } = $props();

  const RANK = { item: 0, section: 1, page: 2 };

  const copy = workingCopy();
  const isSelected = $derived(copy.selected === key);
  let over = $state<"before" | "after" | null>(null);

  function start(event: DragEvent) {
    dragged = { key, kind };
    event.dataTransfer?.setData("text/plain", key);
    if (event.dataTransfer) event.dataTransfer.effectAllowed = "move";
  }

  /** Items go beside items or first into a section; sections go beside sections. */
  function hover(event: DragEvent) {
    if (!dragged || dragged.key === key || RANK[dragged.kind] > RANK[kind]) return;
    event.preventDefault();
    const box = (event.currentTarget as HTMLElement).getBoundingClientRect();
    const isUpper = event.clientY < box.top + box.height / 2;
    over = isUpper && RANK[dragged.kind] === RANK[kind] ? "before" : "after";
  }

  function drop(event: DragEvent) {
    if (!dragged || !over) return;
    event.preventDefault();
    const moved = dragged.key;
    const into = RANK[dragged.kind] < RANK[kind];
    // What is dropped on a page and cannot stand there goes into its first section.
    const page = dragged.kind === "item" && kind === "page";
    const holder = page ? (copy.inside(key)[0] ?? "") : into ? key : copy.holder(key);
    const siblings = copy.inside(holder).filter((it) => it !== moved);
    const at = siblings.indexOf(key);
    const after = into ? null : over === "after" ? key : (siblings[at - 1] ?? null);
    over = null;
    dragged = null;
    if (page && !holder) return;
    void copy.edit({ type: "move", key: moved, holder, after });
  }
</script>

<!-- svelte-ignore a11y_no_static_element_interactions, a11y_click_events_have_key_events (selecting by keyboard goes through the contents and the focus) -->
<div
  id={`i-${key}`}
  data-key={key}
  class={["movable", (isSelected || copy.also.has(key)) && "selected", over]}
  onmousedown={(event) => {
    // With a modifier the selection grows, and the control underneath stays as it is.
    if (!event.ctrlKey && !event.metaKey && !event.shiftKey) return;
    event.preventDefault();
    if (event.shiftKey) copy.extend(key);
    else copy.toggle(key);
  }}
  onclick={(event) => {
    if (event.ctrlKey || event.metaKey || event.shiftKey) event.preventDefault();
    else void copy.select(key);
  }}
  onfocusin={() => copy.selected === key || copy.also.has(key) || copy.select(key)}
  ondragover={hover}
  ondragleave={() => (over = null)}
  ondrop={drop}
>
  <span
    class="grip"
    draggable="true"
    title={`Drag to move (${KEYS.moveUp[0]} and ${KEYS.moveDown[0]})`}
    aria-hidden="true"
    ondragstart={start}
    ondragend={() => (dragged = null)}>⠿</span
  >
  {@render children()}
</div>

<style>
  .movable {
    position: relative;
    border-radius: 2px;
    scroll-margin: 80px;
  }

  .selected {
    outline: 2px solid var(--color-card-edge);
    outline-offset: 5px;
  }

  .grip {
    position: absolute;
    left: -19px;
    top: 0;
    padding: 0 3px;
    color: var(--color-soft);
    cursor: grab;
    opacity: 0;
  }

  .movable:hover > .grip,
  .selected > .grip {
    opacity: 1;
  }

  .before::before,
  .after::after {
    content: "";
    position: absolute;
    inset-inline: 0;
    height: 3px;
    background: var(--color-river);
  }

  .before::before {
    top: -7px;
  }

  .after::after {
    bottom: -7px;
  }
</style>
