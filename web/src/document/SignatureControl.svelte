<script lang="ts">
  import Button from "../ui/light/Button.svelte";
  import { getContext, onDestroy } from "svelte";
  import type { Field, NodeStateFieldState } from "../api/types";
  import { isDrawn, isPicture, PAD } from "./Signed.svelte";
  import { ADOPTED } from "./signing";

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

  const WIDTH = PAD.width;
  const HEIGHT = PAD.height;
  const LONGEST = 20_000;
  /** How long a name or a drawing rests before it is taken as signed: the trail tells of signatures, not of letters and strokes. */
  const REST = 800;
  /** A name or a drawing that is being made. */
  let writing = $state<string | null>(null);
  let resting: ReturnType<typeof setTimeout> | undefined;
  const now = $derived(writing ?? typed);
  const drawn = $derived(isDrawn(now));
  const pictured = $derived(isPicture(now));
  const adopted = getContext<Record<string, string> | undefined>(ADOPTED);
  let wrong = $state("");
  let file = $state<HTMLInputElement>();
  const what = $derived(field.kind.type === "initials" ? "initials" : "signature");
  let drawing = $state(false);
  let path = $state("");
  let pad = $state<SVGSVGElement>();
  let control = $state<HTMLElement>();

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
    clearTimeout(resting);
    path = `${drawn ? now : ""}M${point(event)}`;
  }

  function draw(event: PointerEvent) {
    if (drawing && path.length < LONGEST) path += `L${point(event)}`;
  }

  function end() {
    if (!drawing) return;
    drawing = false;
    if (adopted) adopted[what] = path;
    write(path);
    onleave?.();
  }

  function write(text: string) {
    writing = text;
    clearTimeout(resting);
    resting = setTimeout(written, REST);
  }

  function written() {
    clearTimeout(resting);
    const text = writing;
    writing = null;
    if (text !== null && text !== typed) ontyped(text);
  }
  onDestroy(written);

  /** Whoever turns to something else has signed. */
  function turned(event: Event) {
    if (writing !== null && !control?.contains(event.target as Node)) written();
  }

  /** What was signed with once can be put elsewhere. */
  function give(text: string) {
    if (adopted && text) adopted[what] = text;
    ontyped(text);
  }

  /** A picture of a signature, made small and plain. */
  async function picture() {
    const chosen = file?.files?.[0];
    if (file) file.value = "";
    if (!chosen) return;
    wrong = "";
    try {
      const image = await createImageBitmap(chosen);
      const scale = Math.min(1, (2 * WIDTH) / image.width, (2 * HEIGHT) / image.height);
      const canvas = document.createElement("canvas");
      canvas.width = Math.max(1, Math.round(image.width * scale));
      canvas.height = Math.max(1, Math.round(image.height * scale));
      canvas.getContext("2d")!.drawImage(image, 0, 0, canvas.width, canvas.height);
      give(canvas.toDataURL("image/png"));
      onleave?.();
    } catch {
      wrong = "This picture cannot be read; choose a PNG or JPEG.";
    }
  }
</script>

<svelte:window onpointerdowncapture={turned} onkeydowncapture={turned} />
<div
  {id}
  bind:this={control}
  tabindex="-1"
  role="group"
  aria-labelledby={`${id}-label`}
  aria-describedby={describedBy}
>
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
    {#if drawing || drawn}
      <path class="pen" d={drawing ? path : now} />
    {:else if pictured}
      <image href={now} x="14" y="4" width={WIDTH - 28} height={HEIGHT - 26} preserveAspectRatio="xMinYMax" />
    {:else if now}
      <text x="20" y={HEIGHT - 28} class="name">{now}</text>
    {/if}
  </svg>
  <div class="mt-1 flex flex-wrap items-center gap-2">
    <input
      class="field"
      aria-label={`Write your ${what === "initials" ? "initials" : "name"} instead of drawing, for ${field.label}`}
      placeholder={drawn
        ? "Drawn"
        : pictured
          ? "From a picture"
          : what === "initials"
            ? "or write your initials"
            : "or write your name"}
      disabled={!stand.editable}
      value={drawn || pictured ? "" : now}
      maxlength="200"
      oninput={(event) => write(event.currentTarget.value)}
      onchange={written}
      onblur={(event) => {
        if (adopted && event.currentTarget.value) adopted[what] = event.currentTarget.value;
        onleave?.();
      }}
    />
    {#if stand.editable}
      {#if !now && adopted?.[what]}
        <Button onclick={() => ontyped(adopted[what]!)}
          >Use my {what} again<span class="sr-only">, for {field.label}</span></Button
        >
      {/if}
      <Button look="underlined" size="large" class="soft" onclick={() => file?.click()}
        >or a picture<span class="sr-only"> of your {what}, for {field.label}</span></Button
      >
      <input
        bind:this={file}
        type="file"
        class="hidden"
        accept="image/png,image/jpeg"
        tabindex="-1"
        aria-hidden="true"
        onchange={picture}
      />
    {/if}
    {#if now && stand.editable}
      <Button look="underlined" class="soft" onclick={() => ontyped("")}
        >Take back<span class="sr-only"> the {what}</span></Button
      >
    {/if}
  </div>
  {#if wrong}<p class="trouble mt-1" role="alert">{wrong}</p>{/if}
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
    stroke: var(--color-pen);
    stroke-width: 2.2;
    stroke-linecap: round;
    stroke-linejoin: round;
  }

  .name {
    font: italic 30px var(--font-margin, "Source Serif 4 Variable", serif);
    fill: var(--color-pen);
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
