<script lang="ts">
  import type { OverlayShape, Place, SheetPage } from "../api/types";
  import PlacedText from "./PlacedText.svelte";

  let { shape, words, place, sheet }: { shape: OverlayShape; words: string; place: Place; sheet: SheetPage } =
    $props();

  /** A block is struck out across, a line along: as on paper, from 24 points on. */
  const isBlock = $derived(place.height > 847);
  const centred = $derived({
    ...place,
    lettering: { ...place.lettering, cells: 0, lines: true, alignment: "middle" as const },
  });
</script>

<!-- What is drawn over printed words, as on paper. -->
{#if shape === "cover"}
  <span class="cover"></span>
  {#if words}<PlacedText text={words} place={centred} {sheet} />{/if}
{:else}
  <svg viewBox="0 0 100 100" preserveAspectRatio="none" aria-hidden="true" fill="none" stroke="currentColor">
    {#if shape === "stroke"}
      <path
        d={isBlock ? "M0 100 100 0" : "M0 50H100"}
        stroke-width="1.6"
        vector-effect="non-scaling-stroke"
      />
    {:else}
      <ellipse cx="50" cy="50" rx="49" ry="48" stroke-width="1.6" vector-effect="non-scaling-stroke" />
    {/if}
  </svg>
{/if}

<style>
  .cover {
    position: absolute;
    inset: 0;
    background: #fff;
  }

  svg {
    position: absolute;
    inset: 0;
    width: 100%;
    height: 100%;
    overflow: visible;
  }
</style>
