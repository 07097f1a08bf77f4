<script lang="ts">
  import type { Snippet } from "svelte";
  import type { SheetPage } from "../api/types";

  let {
    sheet,
    source,
    label,
    children,
    ...rest
  }: {
    sheet: SheetPage;
    /** Where the page is as a picture. */
    source: string;
    /** What the page is, for those who cannot see it. */
    label: string;
    children?: Snippet;
    [attribute: string]: unknown;
  } = $props();
</script>

<!-- A page of a PDF that is written on. Whatever lies on it is as large as the page lets it be. -->
<div class="paper" style:aspect-ratio={`${sheet.width} / ${sheet.height}`} {...rest}>
  <img src={source} alt={label} loading="lazy" draggable="false" />
  {@render children?.()}
</div>

<style>
  .paper {
    position: relative;
    width: 100%;
    background: #fff;
    color: #142a52;
    container-type: inline-size;
    box-shadow: 0 0 0 1px var(--color-line);
    direction: ltr;
  }

  img {
    position: absolute;
    inset: 0;
    width: 100%;
    height: 100%;
    user-select: none;
  }
</style>
