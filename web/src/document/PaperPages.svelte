<script lang="ts">
  import type { CopyPages } from "../api/types";

  let { base, paper, wide = false }: { base: string; paper: CopyPages; wide?: boolean } = $props();

  const numbers = $derived(Array.from({ length: paper.pages }, (_, i) => i + 1));
</script>

<!-- A document as it lies on paper, page by page; whoever cannot see pictures reads the PDF, which says the same. -->
<ol class={["grid list-none gap-4", !wide && "sm:grid-cols-2"]}>
  {#each numbers as number (number)}
    <li>
      <img
        class="w-full rounded-sm border bg-white"
        src={`${base}/pages/${number}?${paper.version}`}
        alt={`Page ${number} of ${paper.pages}`}
        loading="lazy"
      />
    </li>
  {/each}
</ol>
