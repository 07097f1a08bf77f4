<script lang="ts">
  import { onDestroy } from "svelte";
  import Button from "../ui/light/Button.svelte";
  import { request } from "../api/http";
  import type { FilledPages } from "../api/types";
  import FilledSheet from "../document/FilledSheet.svelte";
  import type { Filling } from "./filling.svelte";

  let { filling, page, focused }: { filling: Filling; page: string; focused: string | null } = $props();

  /** So long after the last answer was kept the pages are asked for anew. */
  const PAUSE = 250;

  let filled = $state.raw<FilledPages["pages"] | null>(null);
  let isOpen = $state(false);
  let all = $state(false);
  let failed = $state(false);
  let waiting: ReturnType<typeof setTimeout> | undefined;

  async function ask() {
    try {
      filled = (await request<FilledPages>("GET", `${filling.base}/filled`)).pages;
      failed = false;
    } catch {
      // The questions beside it say what is wrong; the pages are asked for again with the next answer.
      failed = true;
    }
  }

  $effect(() => {
    void filling.keptAt;
    clearTimeout(waiting);
    waiting = setTimeout(ask, filled === null ? 0 : PAUSE);
  });
  onDestroy(() => clearTimeout(waiting));

  const shown = $derived(
    (filled ?? []).filter(({ key }) => all || key === page || !filled!.some((it) => it.key === page)),
  );
</script>

<!-- The pages that the answers are written on: beside the questions where there is room, else opened above them. -->
<section class={["pages", isOpen && "open"]} aria-label="The document as it fills">
  <div class="head">
    <Button class="toggle" aria-expanded={isOpen} onclick={() => (isOpen = !isOpen)}
      >{isOpen ? "Close the page" : "Look at the page"}</Button
    >
    {#if (filled?.length ?? 0) > 1}
      <Button look="underlined" class="soft all" onclick={() => (all = !all)}
        >{all ? "This page only" : `All ${filled!.length} pages`}</Button
      >
    {/if}
  </div>
  <div class="list">
    {#each shown as it (it.key)}
      <FilledSheet page={it} base={filling.base} {focused} />
    {/each}
    {#if failed && !filled}<p class="soft">The pages cannot be shown now.</p>{/if}
  </div>
</section>

<style>
  .pages {
    border-block-end: 1px solid var(--color-line);
    padding-block: 10px;
    font-size: var(--text-sheet);
  }

  .head {
    display: flex;
    gap: 14px;
    align-items: center;
  }

  .list {
    display: none;
    gap: 14px;
    padding-top: 10px;
  }

  .open .list {
    display: grid;
  }

  .pages:not(.open) :global(.all) {
    display: none;
  }

  @media (min-width: 1200px) {
    .pages {
      position: sticky;
      top: 16px;
      align-self: start;
      max-height: calc(100vh - 90px);
      overflow-y: auto;
      border: 0;
      padding: 0 1px 1px;
    }

    .list {
      display: grid;
    }

    .head {
      min-height: 30px;
    }

    .head :global(.toggle) {
      display: none;
    }

    .pages:not(.open) :global(.all) {
      display: inline;
    }
  }

  @media print {
    .pages {
      display: none;
    }
  }
</style>
