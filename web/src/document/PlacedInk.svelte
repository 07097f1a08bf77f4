<script lang="ts">
  import type { Ink, SheetPage } from "../api/types";
  import { PLAIN } from "./looks";
  import PlacedOverlay from "./PlacedOverlay.svelte";
  import PlacedText from "./PlacedText.svelte";
  import PlacedTick from "./PlacedTick.svelte";

  let {
    ink,
    sheet,
    base,
  }: {
    ink: Ink;
    sheet: SheetPage;
    /** Where the server keeps pictures and files. */
    base: string;
  } = $props();
</script>

<!-- What stands at a place, as on paper. -->
{#if ink.type === "lettered"}
  <PlacedText text={ink.text} place={ink.place} {sheet} look={ink.look} />
{:else if ink.type === "ticked"}
  <PlacedTick tick={ink.tick} />
{:else if ink.type === "drawn"}
  <PlacedOverlay shape={ink.shape} words={ink.words} place={ink.place} {sheet} />
{:else if ink.type === "picturedHere"}
  <img src={ink.file ? `${base}/files/${ink.file}` : `${base}/pictures/${ink.picture}`} alt="" />
{:else if ink.signed.startsWith("data:")}
  <img src={ink.signed} alt="" />
{:else if ink.signed.startsWith("M")}
  <svg
    viewBox="0 0 320 96"
    fill="none"
    stroke="currentColor"
    stroke-width="2.5"
    stroke-linecap="round"
    stroke-linejoin="round"
  >
    <path d={ink.signed.replace(/(M\s*([\d.]+[ ,][\d.]+))/g, "$1L$2")} />
  </svg>
{:else}
  <PlacedText text={ink.signed} place={ink.place} {sheet} look={PLAIN} />
{/if}

<style>
  img,
  svg {
    position: absolute;
    inset: 0;
    width: 100%;
    height: 100%;
    object-fit: contain;
  }
</style>
