<script lang="ts">
  import Button from "../../ui/light/Button.svelte";
  import WhyPanel from "../panels/WhyPanel.svelte";

  let {
    at,
    name,
    inside = "",
    reason,
  }: { at: string; name: string; inside?: string; reason: string } = $props();

  let asked = $state(false);
</script>

<!-- A folded item: thin, but there to be found. -->
<div class="slip">
  <span class="min-w-0 truncate"
    >{name}{#if inside}<span class="soft">, {inside}</span>{/if}</span
  >
  <span class="min-w-0 truncate text-right">folded{reason ? `: ${reason}` : ""}</span>
  <Button look="underlined" class="shrink-0" aria-expanded={asked} onclick={() => (asked = !asked)}
    >Why<span class="sr-only"> is {name} folded</span></Button
  >
</div>
{#if asked}<WhyPanel {at} onclose={() => (asked = false)} />{/if}

<style>
  .slip {
    display: grid;
    grid-template-columns: auto minmax(0, 1fr) auto;
    gap: 12px;
    align-items: start;
    border-block: 1px dashed var(--color-slip-edge);
    padding: 3px 8px;
    font-size: var(--text-note);
    color: var(--color-soft);
    background: repeating-linear-gradient(135deg, var(--color-slip) 0 6px, var(--color-paper) 6px 12px);
  }
</style>
