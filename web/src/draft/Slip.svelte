<script lang="ts">
  let { name, inside = "", reason }: { name: string; inside?: string; reason: string } = $props();
</script>

<!-- A folded item: thin, but there to be found. -->
<div class="slip">
  <span class="min-w-0 truncate"
    >{name}{#if inside}<span class="soft">, {inside}</span>{/if}</span
  >
  <span class="min-w-0 truncate text-right">folded{reason ? `: ${reason}` : ""}</span>
</div>

<style>
  .slip {
    display: flex;
    justify-content: space-between;
    gap: 16px;
    border-block: 1px dashed #9ba7a1;
    padding: 3px 8px;
    font-size: 12.5px;
    color: var(--color-soft);
    background: repeating-linear-gradient(135deg, #f4f6f4 0 6px, #ffffff 6px 12px);
  }
</style>
