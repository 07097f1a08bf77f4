<script lang="ts">
  import type { Look, Place, SheetPage } from "../api/types";
  import { lookClass, lookStyle, PLAIN } from "./looks";
  import { cells, fitted, letterStyle, measured } from "./sheets";

  let {
    text,
    place,
    sheet,
    look = PLAIN,
  }: { text: string; place: Place; sheet: SheetPage; look?: Look } = $props();

  const said = $derived(look.words ? `${text} (${look.words})` : text);
  const size = $derived(fitted(said, place, measured));
  const { lettering } = $derived(place);
</script>

<!-- A text as it stands at its place on paper. -->
<span
  class={[
    "text",
    lookClass(look),
    lettering.lines && "lines",
    lettering.cells > 0 && "combed",
    lettering.alignment,
  ]}
  style={`${letterStyle(size, sheet)}; ${lookStyle(look)}`}
  dir="auto"
>
  {#if lettering.cells}
    {#each cells(said, lettering) as sign, i (i)}<span class="sign">{sign}</span>{/each}
  {:else}{said}{/if}
</span>

<style>
  .text {
    position: absolute;
    inset: 0;
    display: flex;
    align-items: center;
    padding-inline: 0.27cqw;
    white-space: pre;
    overflow: hidden;
    line-height: 1.22;
  }

  .middle {
    justify-content: center;
    text-align: center;
  }

  .end {
    justify-content: flex-end;
    text-align: end;
  }

  .lines {
    display: block;
    white-space: pre-wrap;
    overflow-wrap: anywhere;
  }

  .combed {
    padding: 0;
    white-space: nowrap;
  }

  .sign {
    flex: 1 1 0;
    text-align: center;
  }
</style>
