<script lang="ts">
  import type { Snippet } from "svelte";

  let {
    depth = 0,
    top = false,
    rest = false,
    open = false,
    sheet,
    margin,
  }: {
    depth?: number;
    top?: boolean;
    /** Whether this line only fills the sheet down to its end. */
    rest?: boolean;
    /** Whether something of it is being edited, and lies over the lines around it. */
    open?: boolean;
    sheet?: Snippet;
    margin?: Snippet;
  } = $props();
</script>

<!-- One line of the desk: a piece of the document, and its logic level with it. -->
<div class={["line", rest && "grow", open && "open"]}>
  <div class={["sheet", top && "pt-5"]}>
    <span class="strata" aria-hidden="true">
      {#each { length: Math.min(depth, 3) } as _, i (i)}<i></i>{/each}
    </span>
    {@render sheet?.()}
  </div>
  <div class="margin" dir="ltr">{@render margin?.()}</div>
</div>

<style>
  .line {
    display: grid;
    grid-template-columns: minmax(0, 57%) minmax(0, 43%);
    /* A section may be long: of one in sight, too, only what is in sight is laid out. */
    content-visibility: auto;
    contain-intrinsic-size: auto 84px;
  }

  .line.open,
  .line.grow,
  .line:focus-within {
    content-visibility: visible;
  }

  .sheet {
    position: relative;
    background: var(--color-paper);
    border-inline: 1px solid var(--color-line);
    border-right: none;
    padding-inline: 36px 26px;
  }

  .margin {
    background: var(--color-straw);
    border-left: 1px dashed var(--color-straw-line);
    border-right: 1px solid var(--color-line);
    padding-top: 6px;
    min-width: 0;
  }

  .strata {
    position: absolute;
    left: 13px;
    top: 0;
    bottom: 0;
    display: flex;
    gap: 2px;
  }

  .strata i {
    width: 3px;
    background: var(--color-stratum-1);
  }

  .strata i:nth-child(2) {
    background: var(--color-stratum-2);
  }

  .strata i:nth-child(3) {
    background: var(--color-stratum-3);
  }
</style>
