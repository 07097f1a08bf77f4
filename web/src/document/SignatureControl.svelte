<script lang="ts">
  import type { Field, NodeStateFieldState } from "../api/types";

  let {
    field,
    state: stand,
    typed,
    id,
    describedBy,
    ontyped,
    onleave,
  }: {
    field: Field;
    state: NodeStateFieldState;
    typed: string;
    id: string;
    describedBy?: string;
    ontyped: (text: string) => void;
    onleave?: () => void;
  } = $props();

  const WIDTH = 320;
  const HEIGHT = 96;
  const LONGEST = 20_000;
  /** A drawn signature is kept as the path of the pen; anything else is a name. */
  const isDrawn = $derived(typed.startsWith("M"));
  const what = $derived(field.kind.type === "initials" ? "initials" : "signature");
  let drawing = $state(false);
  let path = $state("");
  let pad = $state<SVGSVGElement>();

  function point(event: PointerEvent): string {
    const box = pad!.getBoundingClientRect();
    const x = Math.round(((event.clientX - box.left) / box.width) * WIDTH);
    const y = Math.round(((event.clientY - box.top) / box.height) * HEIGHT);
    return `${x} ${y}`;
  }

  function begin(event: PointerEvent) {
    if (!stand.editable) return;
    pad!.setPointerCapture(event.pointerId);
    drawing = true;
    path = `${isDrawn ? typed : ""}M${point(event)}`;
  }

  function draw(event: PointerEvent) {
    if (drawing && path.length < LONGEST) path += `L${point(event)}`;
  }

  function end() {
    if (!drawing) return;
    drawing = false;
    ontyped(path);
    onleave?.();
  }
</script>

<div {id} tabindex="-1" role="group" aria-labelledby={`${id}-label`} aria-describedby={describedBy}>
  <!-- svelte-ignore a11y_no_static_element_interactions -- whoever cannot draw writes the name below -->
  <svg
    class={["pad", !stand.editable && "opacity-60"]}
    bind:this={pad}
    viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
    aria-hidden="true"
    onpointerdown={begin}
    onpointermove={draw}
    onpointerup={end}
    onpointercancel={end}
  >
    <path class="rule" d={`M14 ${HEIGHT - 20}H${WIDTH - 14}`} />
    {#if drawing || isDrawn}
      <path class="pen" d={drawing ? path : typed} />
    {:else if typed}
      <text x="20" y={HEIGHT - 28} class="name">{typed}</text>
    {/if}
  </svg>
  <div class="mt-1 flex flex-wrap items-center gap-2">
    <input
      class="field"
      aria-label={`Write your ${what === "initials" ? "initials" : "name"} instead of drawing, for ${field.label}`}
      placeholder={isDrawn ? "Drawn" : what === "initials" ? "or write your initials" : "or write your name"}
      disabled={!stand.editable}
      value={isDrawn ? "" : typed}
      oninput={(event) => ontyped(event.currentTarget.value)}
      onblur={onleave}
    />
    {#if typed && stand.editable}
      <button type="button" class="soft text-xs underline" onclick={() => ontyped("")}
        >Take back<span class="sr-only"> the {what}</span></button
      >
    {/if}
  </div>
</div>

<style>
  .pad {
    display: block;
    width: 100%;
    max-width: 420px;
    touch-action: none;
    cursor: crosshair;
    background: var(--color-paper);
    border: 1px dashed var(--color-edge);
    border-radius: var(--radius-md);
  }

  .rule {
    stroke: var(--color-edge);
    stroke-width: 1;
  }

  .pen {
    fill: none;
    stroke: #14304a;
    stroke-width: 2.2;
    stroke-linecap: round;
    stroke-linejoin: round;
  }

  .name {
    font: italic 30px var(--font-margin, "Source Serif 4 Variable", serif);
    fill: #14304a;
  }

  .field {
    border: 1px solid var(--color-edge);
    border-radius: var(--radius-md);
    background: var(--color-paper);
    min-height: var(--control-height, 32px);
    padding: 4px 9px;
    font-size: var(--control-size, 14px);
    min-width: 0;
    width: min(100%, 260px);
  }
</style>
