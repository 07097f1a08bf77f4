<script lang="ts">
  import type { FilledPage, Ink } from "../api/types";
  import PlacedInk from "./PlacedInk.svelte";
  import SheetPaper from "./SheetPaper.svelte";
  import { placeStyle } from "./sheets";

  let {
    page,
    base,
    focused = null,
  }: {
    page: FilledPage;
    /** Where the server keeps what the page shows. */
    base: string;
    /** The key of the question that is being answered. */
    focused?: string | null;
  } = $props();

  const { sheet } = $derived(page);

  /** What is said of a page to those who cannot see it: its answers, in their order. */
  const said = $derived(
    page.inks
      .map((ink) =>
        "text" in ink ? `${ink.label}: ${ink.text}` : "choice" in ink ? `${ink.label}: ${ink.choice}` : "",
      )
      .filter(Boolean)
      .join("; "),
  );
  const isAt = (ink: Ink) => ink.place.item === focused;
</script>

<!-- A page of a PDF with what stands on it now. -->
<SheetPaper
  {sheet}
  source={`${base}/sheets/${sheet.file}/pages/${sheet.number}`}
  label={said ? `The page as it fills. ${said}` : "The page, with nothing on it yet"}
>
  {#each page.inks as ink, i (i)}
    <div class={["ink", isAt(ink) && "at"]} style={placeStyle(ink.place, sheet)} aria-hidden="true">
      <PlacedInk {ink} {sheet} {base} />
    </div>
  {/each}
</SheetPaper>

<style>
  .ink {
    position: absolute;
  }

  .at {
    outline: 1.5px solid var(--color-river);
    outline-offset: 1px;
  }
</style>
