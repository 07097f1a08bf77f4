<script lang="ts">
  import { setContext } from "svelte";
  import { ownHeaders } from "../api/http";
  import { FILES, keeperAt } from "../document/files";
  import { provide } from "../draft/context";
  import Contents from "../draft/desk/Contents.svelte";
  import Desk from "../draft/desk/Desk.svelte";
  import HistoryPanel from "../draft/panels/HistoryPanel.svelte";
  import Palette from "../draft/panels/Palette.svelte";
  import { shortcuts } from "../draft/shortcuts";
  import SeenAs from "../draft/panels/SeenAs.svelte";
  import Trials from "../draft/panels/Trials.svelte";
  import { WorkingCopy } from "../draft/workingCopy.svelte";
  import { time } from "../times";
  import TopBar from "./TopBar.svelte";
  import NotOpened from "../document/NotOpened.svelte";

  let { template }: { template: string } = $props();

  // svelte-ignore state_referenced_locally -- the page is made anew for another template
  const copy = provide(new WorkingCopy(template));
  const opened = copy.open();
  // svelte-ignore state_referenced_locally
  setContext(
    FILES,
    keeperAt(`/api/templates/${template}/draft/files`, `/api/templates/${template}/pictures`, ownHeaders),
  );
  const WATCH = 3_000;
  $effect(() => {
    const watch = setInterval(() => void copy.look().catch(() => {}), WATCH);
    return () => clearInterval(watch);
  });
  let inserting = $state<string | null>(null);

  const items = $derived(
    [...copy.nodes.values()].filter(({ node }) => node.type !== "page" && node.type !== "section"),
  );
  const folded = $derived(items.filter(({ state }) => !state.shown).length);
  const answered = $derived(Object.values(copy.answers).filter(Boolean).length);
  let palette = $state(false);
  let history = $state(false);
  const findings = $derived(copy.settings?.findings.length ?? 0);
  const missing = $derived(
    items.filter(({ state }) => state.type === "field" && (state.missing || state.problem !== null)).length,
  );
  const keyed = shortcuts(
    copy,
    (after) => (inserting = after),
    () => (palette = true),
  );
</script>

<svelte:head><title>{copy.title || "Draft"} · Loesscape</title></svelte:head>
<svelte:window onkeydown={keyed} />
{#if palette}<Palette
    oninsert={(after) => (inserting = after)}
    onhistory={() => (history = true)}
    onclose={() => (palette = false)}
  />{/if}
{#if history}<HistoryPanel onclose={() => (history = false)} />{/if}

<div class="grid h-screen grid-rows-[48px_minmax(0,1fr)_36px]">
  <TopBar title={copy.title} {template} view="Draft">
    <SeenAs />
    <Trials />
    <button class="button on-spruce" aria-expanded={history} onclick={() => (history = !history)}
      >History</button
    >
    <span class="flex gap-1">
      <button
        class="button on-spruce"
        aria-label="Undo"
        disabled={!copy.canUndo}
        title="Undo (Ctrl Z)"
        onclick={copy.undo}>↶</button
      >
      <button
        class="button on-spruce"
        aria-label="Redo"
        disabled={!copy.canRedo}
        title="Redo (Ctrl Shift Z)"
        onclick={copy.redo}>↷</button
      >
    </span>
  </TopBar>
  {#await opened}
    <p class="soft p-10 text-center" role="status">Opening the draft …</p>
  {:then}
    <main class="grid min-h-0 grid-cols-[210px_minmax(0,1fr)]">
      <Contents />
      <Desk {inserting} onclosed={() => (inserting = null)} />
    </main>
  {:catch problem}
    <main class="p-10 text-center"><NotOpened {problem} /></main>
  {/await}
  <footer class="flex items-center gap-5 border-t bg-straw px-4 text-[12.5px]">
    {#if copy.told}
      <span class="trouble" role="alert">{copy.told}</span>
      <button class="button quiet py-0" onclick={() => (copy.told = "")}>Close</button>
    {:else if copy.refused && !copy.isTold}
      <span class="trouble" role="alert">{copy.refused.message}</span>
      {#if copy.refused.failed}
        <button class="button quiet py-0" onclick={() => copy.tryAgain()}>Try again</button>
      {/if}
      <button class="button quiet py-0" onclick={() => copy.dismiss()}>Close</button>
    {/if}
    <span class="soft" role="status">{folded} of {items.length} items folded now</span>
    {#if missing}
      <button class="button quiet py-0" title="Go to the next (F9)" onclick={() => copy.nextUnanswered()}
        >{missing} still to be answered</button
      >
    {/if}
    {#if findings}
      <button class="button quiet py-0" title="Go to the next (F8)" onclick={() => copy.nextFinding(1)}
        >{findings} {findings === 1 ? "finding" : "findings"}</button
      >
    {/if}
    {#if answered}
      <span class="soft">{answered} {answered === 1 ? "answer" : "answers"} tried out</span>
      <button class="button quiet py-0" onclick={() => copy.clearAnswers()}>Clear them</button>
    {/if}
    <span class="soft ml-auto whitespace-nowrap" role="status"
      >{copy.release ? `after release ${copy.release}` : "never released"}{copy.changed
        ? ` · kept ${time(copy.changed)}`
        : ""}</span
    >
    <button type="button" class="soft whitespace-nowrap underline" onclick={() => (palette = true)}
      >Ctrl K: everything</button
    >
  </footer>
</div>
