<script lang="ts">
  import type { Tick } from "../api/types";

  let { tick }: { tick: Tick } = $props();
</script>

<!-- The mark of a choice, as on paper. -->
<svg
  viewBox="0 0 100 100"
  preserveAspectRatio={tick === "ring" ? "none" : "xMidYMid meet"}
  aria-hidden="true"
  fill="none"
  stroke="currentColor"
  stroke-linecap="round"
  stroke-linejoin="round"
>
  {#if tick === "cross"}
    <path d="M20 20 80 80M20 80 80 20" stroke-width="12" />
  {:else if tick === "tick"}
    <path d="M18 48 42 76 84 20" stroke-width="12" />
  {:else if tick === "dot"}
    <circle cx="50" cy="50" r="25" fill="currentColor" />
  {:else}
    <ellipse cx="50" cy="50" rx="49" ry="48" stroke-width="2" vector-effect="non-scaling-stroke" />
  {/if}
</svg>

<style>
  svg {
    position: absolute;
    inset: 0;
    width: 100%;
    height: 100%;
    overflow: visible;
  }
</style>
