<script lang="ts">
  import Button from "../../ui/Button.svelte";
  import Input from "../../ui/Input.svelte";
  import { request } from "../../api/http";
  import type { Colours, Look, Mark, Readable, Shade } from "../../api/types";
  import Picker from "../../ui/Picker.svelte";

  let { look, of, onchange }: { look: Look; of: string; onchange: (change: Partial<Look>) => void } =
    $props();

  const SHADES: Shade[] = ["plain", "moss", "river", "straw", "ochre", "clay", "stone"];
  const MARKS: Mark[] = ["none", "tick", "drop", "eye", "warning", "stop"];
  const START: Colours = { text: "#1f3a5f", fill: "#e6eef8", border: "#7d9cc4", despite: "" };
  const PARTS = [
    { id: "text", words: "text" },
    { id: "fill", words: "fill" },
    { id: "border", words: "border" },
  ] as const;

  /** The colours as their author has them now, kept or not. */
  let colours = $derived<Colours | null>(look.colours ? { ...look.colours } : null);
  let readable = $state<Readable | null>(null);
  let open = $state(false);
  const text = $derived(colours?.text ?? "");
  const fill = $derived(colours?.fill ?? "");
  $effect(() => {
    if (!text || !fill) {
      readable = null;
      return;
    }
    const asked = new URLSearchParams({ text, fill });
    request<Readable>("GET", `/api/organisation/contrast?${asked}`).then(
      (told) => (readable = told),
      () => (readable = null),
    );
  });
  const isReadable = $derived(!!readable && Number(readable.ratio) >= Number(readable.least));

  function pick(id: string) {
    if (id === "own") {
      open = true;
      if (!look.colours) onchange({ colours: START });
    } else {
      open = false;
      onchange({ shade: id as Shade, colours: null });
    }
  }

  /** Colours that can be read are kept at once; others only with a reason. */
  async function keep(part: Partial<Colours>) {
    colours = { ...(colours ?? START), ...part };
    const asked = new URLSearchParams({ text: colours.text, fill: colours.fill });
    readable = await request<Readable>("GET", `/api/organisation/contrast?${asked}`);
    const reads = Number(readable.ratio) >= Number(readable.least);
    if (reads) onchange({ colours: { ...colours, despite: "" } });
    else if (colours.despite.trim()) onchange({ colours });
  }
</script>

<Picker
  label={`Colours of ${of}`}
  text={look.colours ? "own colours" : look.shade}
  options={[
    ...SHADES.map((id) => ({ id, label: id, swatch: `shade-${id}` })),
    { id: "own", label: "own colours …" },
  ]}
  chosen={[look.colours ? "own" : look.shade]}
  onpick={pick}
/>
<Picker
  label={`Mark of ${of}`}
  text={look.mark === "none" ? "no mark" : look.mark}
  options={MARKS.map((id) => ({ id, label: id === "none" ? "no mark" : id }))}
  chosen={[look.mark]}
  onpick={(mark) => onchange({ mark: mark as Mark })}
/>
<Button
  look="token"
  pressed={look.bold}
  aria-label={`Bold, ${of}`}
  onclick={() => onchange({ bold: !look.bold })}>bold</Button
>
<Button
  look="token"
  pressed={look.italic}
  class="italic"
  aria-label={`Italic, ${of}`}
  onclick={() => onchange({ italic: !look.italic })}>italic</Button
>
{#if colours && (look.colours || open)}
  <div class="mt-1 flex w-full flex-wrap items-center gap-2">
    {#each PARTS as { id, words } (id)}
      <label class="soft inline-flex items-center gap-1"
        ><Input
          look="bare"
          width="2rem"
          class="h-6"
          type="color"
          aria-label={`Colour of the ${words}, ${of}`}
          shows={colours[id]}
          onchange={(event) => keep({ [id]: event.currentTarget.value })}
        />{words}</label
      >
    {/each}
    {#if readable}
      <span
        class="rounded-sm border px-1.5"
        style={`color:${colours.text};background:${colours.fill};border-color:${colours.border}`}
        >{Number(readable.ratio).toFixed(2)} : 1</span
      >
      {#if isReadable}<span class="soft">can be read</span>{/if}
    {/if}
  </div>
  {#if readable && !isReadable}
    <p class="trouble mt-1 text-xs">
      {colours.despite ? "Hard to read" : "Not kept yet: hard to read"}; {readable.least} : 1 is the least.
      <Button look="underlined" onclick={() => keep({ text: readable!.nearest })}
        >Take {readable.nearest} for the text</Button
      >, or say why it has to be so:
    </p>
    <Input
      look="token value"
      width="100%"
      aria-label={`Why the colours of ${of} have to be so`}
      placeholder="the reason"
      shows={colours.despite}
      onchange={(event) => keep({ despite: event.currentTarget.value.trim() })}
    />
  {/if}
{/if}
