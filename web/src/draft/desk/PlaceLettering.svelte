<script lang="ts">
  import Button from "../../ui/Button.svelte";
  import Input from "../../ui/Input.svelte";
  import Picker from "../../ui/Picker.svelte";
  import type { Lettering, Place } from "../../api/types";

  let { places, onchange }: { places: Place[]; onchange: (change: Partial<Lettering>) => void } = $props();

  const TICKS = [
    { id: "cross", label: "Cross" },
    { id: "tick", label: "Tick" },
    { id: "dot", label: "Dot" },
    { id: "ring", label: "Ring around it" },
  ];
  const ALIGNMENTS = [
    { id: "start", label: "At the start" },
    { id: "middle", label: "In the middle" },
    { id: "end", label: "At the end" },
  ];

  const lettering = $derived(places[0]!.lettering);
  const marks = $derived(places.filter(({ choice }) => choice).length);

  function size(text: string) {
    const points = Number(text.replace(",", "."));
    onchange({ size: points >= 4 && points <= 72 ? Math.round(points * 10) : 0 });
  }

  function cells(text: string) {
    const count = Number(text);
    onchange({ cells: Number.isInteger(count) && count > 0 && count <= 200 ? count : 0 });
  }
</script>

<!-- How an answer is written at its place. -->
{#if marks}
  <Picker
    label="Mark"
    text={`Mark: ${TICKS.find(({ id }) => id === lettering.tick)?.label.toLowerCase()}`}
    options={TICKS}
    chosen={[lettering.tick]}
    onpick={(id) => onchange({ tick: id as Lettering["tick"] })}
  />
{/if}
{#if marks < places.length}
  <label class="flex items-center gap-1"
    >Letters <Input
      look="token"
      size={5}
      shows={lettering.size ? String(lettering.size / 10) : ""}
      placeholder="fitted"
      title="Size in points; empty for as large as fits"
      onchange={(event) => size(event.currentTarget.value)}
    /></label
  >
  <label class="flex items-center gap-1"
    >Cells <Input
      look="token"
      size={3}
      shows={lettering.cells ? String(lettering.cells) : ""}
      placeholder="none"
      title="A character in each of so many cells"
      onchange={(event) => cells(event.currentTarget.value)}
    /></label
  >
  <Button look="token" pressed={lettering.lines} onclick={() => onchange({ lines: !lettering.lines })}
    >Several lines</Button
  >
  <Picker
    label="Where it stands in its place"
    text={ALIGNMENTS.find(({ id }) => id === lettering.alignment)!.label}
    options={ALIGNMENTS}
    chosen={[lettering.alignment]}
    onpick={(id) => onchange({ alignment: id as Lettering["alignment"] })}
  />
{/if}
