<script lang="ts">
  import type { Snippet } from "svelte";

  let { title, wide = false, children }: { title: string; wide?: boolean; children: Snippet } = $props();
</script>

<div class={["line", wide && "wide"]} role="group" aria-label={title}>
  <span class="title" aria-hidden="true">{title}</span>
  <div class="min-w-0">{@render children()}</div>
</div>

<style>
  .line {
    display: grid;
    grid-template-columns: 72px minmax(0, 1fr);
    gap: 8px;
    padding: 6px 0;
    border-top: 1px solid var(--color-hairline);
  }

  .wide {
    grid-template-columns: minmax(0, 1fr);
    gap: 2px;
  }

  .title {
    color: var(--color-soft);
    font-weight: 600;
    padding-top: 3px;
  }
</style>
