<script lang="ts">
  import { onMount } from "svelte";
  import Button from "../../ui/light/Button.svelte";
  import Input from "../../ui/Input.svelte";
  import Picker from "../../ui/Picker.svelte";
  import type { Novelty, Place, SheetPage } from "../../api/types";
  import { choicesOf } from "../../document/answers";
  import { placeStyle } from "../../document/sheets";
  import { workingCopy } from "../context";
  import { likeliest, NOVELTIES, ON_SHEETS } from "../kinds";
  import { sheetOf } from "../sheets";

  let {
    page,
    place,
    sheet,
    onclose,
  }: {
    page: string;
    place: Pick<Place, "left" | "top" | "width" | "height">;
    sheet: SheetPage;
    onclose: () => void;
  } = $props();

  const copy = workingCopy();
  let label = $state("");
  let picked = $state<Novelty | null>(null);
  let box = $state<HTMLElement>();

  const kinds = [
    ...NOVELTIES.filter(({ id }) => !["section", "repeatingSection", "page", "divider"].includes(id)),
    ...ON_SHEETS,
  ];
  const what = $derived(picked ?? likeliest(label));
  const whole = $derived<Place>({
    item: "",
    choice: "",
    row: 0,
    ...place,
    lettering: { size: 0, cells: 0, lines: place.height > 1_400, alignment: "start", tick: "cross" },
    source: "",
    script: "",
  });

  /** Whatever has an answer or words can stand here too. */
  const existing = $derived.by(() => {
    const options: { id: string; label: string; hint?: string }[] = [];
    for (const [key, { node, name }] of copy.nodes) {
      if (node.type === "field") {
        options.push({ id: `${key}/`, label: name, hint: "its answer" });
        const kind = node.kind;
        if (kind.type === "yesNo" || kind.type === "oneChoice" || kind.type === "severalChoices") {
          for (const choice of choicesOf(kind, null))
            options.push({ id: `${key}/${choice.id}`, label: `${name}: ${choice.label}`, hint: "its mark" });
        }
      } else if (["notice", "indicator", "picture", "overlay"].includes(node.type)) {
        options.push({ id: `${key}/`, label: name, hint: node.type });
      }
    }
    return options;
  });

  async function add() {
    const key = await copy.make({ type: "addAt", what, label, page, place: whole });
    if (key) onclose();
  }

  async function use(id: string) {
    const [item = "", choice = ""] = id.split("/");
    const done = await copy.edit(() => ({
      type: "setPlaces",
      page,
      places: [...sheetOf(copy.nodes.get(page))!.places, { ...whole, item, choice }],
    }));
    if (done) onclose();
  }

  onMount(() => box?.querySelector("input")?.focus());
</script>

<!-- svelte-ignore a11y_no_static_element_interactions (it only keeps the page beneath from being drawn on) -->
<div
  class="anchor"
  style={placeStyle(place, sheet)}
  onpointerdown={(event) => event.stopPropagation()}
  onkeydown={(event) => {
    event.stopPropagation();
    if (event.key === "Escape") onclose();
  }}
>
  <form
    bind:this={box}
    class="form"
    aria-label="What stands here"
    onsubmit={(event) => {
      event.preventDefault();
      void add();
    }}
  >
    <label class="grow"
      ><span class="sr-only">What is asked here</span>
      <Input class="w-full" bind:value={label} placeholder="What is asked here" /></label
    >
    <Picker
      label="Kind"
      text={kinds.find(({ id }) => id === what)?.label ?? what}
      options={kinds.map(({ id, label, hint }) => ({ id, label, hint }))}
      chosen={[what]}
      onpick={(id) => (picked = id as Novelty)}
    />
    <Button type="submit" look="primary">Add</Button>
    {#if existing.length}
      <Picker label="Something that is there" text="or what is there …" options={existing} onpick={use} />
    {/if}
    <Button look="bare" onclick={onclose}>Leave it</Button>
  </form>
</div>

<style>
  .anchor {
    position: absolute;
    z-index: 8;
    cursor: default;
  }

  .form {
    position: absolute;
    top: calc(100% + 6px);
    left: 0;
    display: flex;
    flex-wrap: wrap;
    gap: 6px;
    align-items: center;
    width: min(360px, 80cqw);
    padding: 8px;
    background: var(--color-paper);
    border: 1px solid var(--color-card-edge);
    border-radius: 5px;
    box-shadow: var(--shadow-card);
    color: var(--color-ink);
  }
</style>
