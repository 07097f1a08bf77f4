<script lang="ts">
  import type { Band } from "../api/types";
  import Mark from "./Mark.svelte";

  let { bands, band }: { bands: Band[]; band: string | null } = $props();

  const shown = $derived(bands.find(({ id, label }) => id === band && label));
</script>

{#if shown}
  <span
    class={[
      "inline-flex items-center gap-[7px] rounded-md border px-2.5 py-1",
      shown.look.bold ? "font-semibold" : "font-medium",
      shown.look.shade === "plain" ? "border-transparent pl-0" : `shade-${shown.look.shade}`,
    ]}
  >
    <Mark mark={shown.look.mark} />{shown.label}
  </span>
{/if}
