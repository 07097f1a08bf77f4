<script lang="ts">
  import Button from "../../ui/light/Button.svelte";
  import Picker from "../../ui/Picker.svelte";
  import { workingCopy } from "../context";
  import { aligned, drawn, sameSize, spread } from "../placing";
  import type { Placing } from "../placing.svelte";
  import Proposals from "./Proposals.svelte";
  import PlaceLettering from "./PlaceLettering.svelte";

  let { placing }: { placing: Placing } = $props();

  const copy = workingCopy();
  const { chosen } = $derived(placing);

  type Edge = Parameters<typeof aligned>[2];
  const EDGES: [Edge, string][] = [
    ["left", "Left"],
    ["centre", "Centre"],
    ["right", "Right"],
    ["top", "Top"],
    ["middle", "Middle"],
    ["bottom", "Bottom"],
  ];
</script>

{#snippet line(title: string, content: import("svelte").Snippet)}
  <div class="line" role="group" aria-label={title}>
    <span class="title">{title}</span>
    <span class="flex flex-wrap items-center gap-1">{@render content()}</span>
  </div>
{/snippet}

{#snippet align()}
  {#each EDGES as [edge, label] (edge)}
    <Button
      look="token"
      onclick={() => placing.change((all, which, sheet) => aligned(all, which, edge, sheet))}>{label}</Button
    >
  {/each}
{/snippet}
{#snippet same()}
  <Button
    look="token"
    onclick={() => placing.change((all, which, sheet) => sameSize(all, which, "width", sheet))}>Width</Button
  >
  <Button
    look="token"
    onclick={() => placing.change((all, which, sheet) => sameSize(all, which, "height", sheet))}
    >Height</Button
  >
{/snippet}
{#snippet evenly()}
  <Button look="token" onclick={() => placing.change((all, which) => spread(all, which, "across"))}
    >Across</Button
  >
  <Button look="token" onclick={() => placing.change((all, which) => spread(all, which, "down"))}>Down</Button
  >
{/snippet}
{#snippet written()}
  <PlaceLettering places={chosen} onchange={(lettering) => placing.letter(lettering)} />
{/snippet}
{#snippet rest()}
  {#if placing.others.length}
    <Picker
      label="Copy to another page"
      text="Copy to page …"
      options={placing.others.map((id) => ({ id, label: copy.view(id).name }))}
      onpick={(id) => placing.copyTo(id)}
    />
  {/if}
  <Button look="token" onclick={() => placing.remove()}>Take away</Button>
{/snippet}

<!-- What can be done with the places that are selected. -->
<section class="editor-card tools" aria-label="Places">
  <header class="mb-1.5 flex items-center gap-2">
    <h3 class="min-w-0 grow truncate text-sm font-semibold">
      {chosen.length === 0
        ? `${placing.places.length} places on this page`
        : chosen.length === 1
          ? placing.nameOf(chosen[0]!)
          : `${chosen.length} places`}
    </h3>
    <Button
      look="token"
      onclick={() => (placing.fresh = drawn({ x: 2_000, y: 2_000 }, { x: 8_000, y: 2_700 }, placing.sheet))}
      >Add a place</Button
    >
  </header>
  {#if chosen.length}
    {#if chosen.length > 1}{@render line("Align", align)}{@render line("Same size", same)}{/if}
    {#if chosen.length > 2}{@render line("Spread evenly", evenly)}{/if}
    {@render line("Written", written)}
    {@render line("Place", rest)}
  {/if}
  {#if !chosen.length}<Proposals {placing} />{/if}
  <p class="soft mt-1.5 text-note">
    Draw on the page for a new place. Click one, with Shift several; drag them, or move them by 1 mm with the
    arrow keys, by 0.1 mm with Shift. Alt and an arrow resize. Del takes away. What is dragged comes to lie on
    printed lines, unless Alt is held; a double click takes the box under the pointer.
  </p>
</section>

<style>
  .tools {
    position: sticky;
    top: 8px;
    margin: 6px 12px;
  }

  .line {
    display: grid;
    grid-template-columns: 88px 1fr;
    align-items: baseline;
    padding-block: 5px;
    border-top: 1px solid var(--color-hairline);
    font-size: var(--text-note);
  }

  .title {
    font-weight: 600;
  }
</style>
