<script lang="ts">
  import Busy from "../ui/Busy.svelte";
  import Alert from "../ui/Alert.svelte";
  import Button from "../ui/Button.svelte";
  import { setContext, tick } from "svelte";
  import { ownHeaders } from "../api/http";
  import { FILES, keeperAt } from "../document/files";
  import { provide } from "../draft/context";
  import Contents from "../draft/desk/Contents.svelte";
  import Desk from "../draft/desk/Desk.svelte";
  import HistoryPanel from "../draft/panels/HistoryPanel.svelte";
  import Palette from "../draft/panels/Palette.svelte";
  import { lookedThrough } from "../draft/lookedThrough.svelte";
  import { onKeys, type ViewActions } from "../draft/actions";
  import { KEYS, withKeys } from "../draft/shortcuts";
  import SeenAs from "../draft/panels/SeenAs.svelte";
  import Trials from "../draft/panels/Trials.svelte";
  import { WorkingCopy } from "../draft/workingCopy.svelte";
  import { router } from "../router.svelte";
  import { time } from "../times";
  import TopBar from "./TopBar.svelte";
  import NotOpened from "../document/NotOpened.svelte";

  let { template }: { template: string } = $props();

  // svelte-ignore state_referenced_locally (the page is made anew for another template)
  const copy = provide(new WorkingCopy(template));
  const place = decodeURIComponent(location.hash.slice(1));
  const opened = copy.open().then(() => {
    if (copy.nodes.has(place)) void tick().then(() => copy.select(place, true));
  });
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
  lookedThrough(copy);
  let inserting = $state<string | null>(null);

  const items = $derived(
    [...copy.nodes.values()].filter(({ node }) => node.type !== "page" && node.type !== "section"),
  );
  const folded = $derived(items.filter(({ state }) => !state.shown).length);
  const answered = $derived(Object.values(copy.answers).filter(Boolean).length);
  let palette = $state(false);
  let history = $state(false);
  const findings = $derived(copy.findings.length);
  /** What is promised and not so, or what came of trials otherwise than expected; the promise itself where it is one. */
  const broken = $derived.by(() => {
    const promises = copy.promises.filter(({ verdict }) => verdict?.type === "broken");
    const trials = copy.trials.filter(({ missed }) => missed?.length).length;
    return [
      ...(promises.length === 1
        ? [`Broken: ${promises[0]!.sentence.parts.map(({ text }) => text).join("")}`]
        : promises.length
          ? [`${promises.length} promises broken`]
          : []),
      ...(trials ? [trials === 1 ? "1 trial comes otherwise" : `${trials} trials come otherwise`] : []),
    ].join(" · ");
  });
  const missing = $derived(
    items.filter(({ state }) => state.type === "field" && (state.missing || state.problem !== null)).length,
  );
  const view: ViewActions = {
    insert: (after) => (inserting = after),
    history: () => (history = true),
    palette: () => (palette = true),
  };
  const keyed = onKeys(copy, view);
</script>

<svelte:head><title>{copy.title || "Draft"} · Loesscape</title></svelte:head>
<svelte:window onkeydown={keyed} />
{#if palette}<Palette {view} onclose={() => (palette = false)} />{/if}
{#if history}<HistoryPanel onclose={() => (history = false)} />{/if}

<div class="grid h-screen grid-rows-[48px_minmax(0,1fr)_36px]">
  <TopBar title={copy.title} {template} view="Draft">
    <SeenAs />
    <Trials />
    <Button look="on spruce" aria-expanded={history} onclick={() => (history = !history)}>History</Button>
    <span class="flex gap-1">
      <Button
        look="on spruce"
        aria-label="Undo"
        disabled={!copy.canUndo}
        title={withKeys("Undo", "undo")}
        onclick={copy.undo}>↶</Button
      >
      <Button
        look="on spruce"
        aria-label="Redo"
        disabled={!copy.canRedo}
        title={withKeys("Redo", "redo")}
        onclick={copy.redo}>↷</Button
      >
    </span>
  </TopBar>
  {#await opened}
    <Busy whole>Opening the draft …</Busy>
  {:then}
    <main class="grid min-h-0 grid-cols-[210px_minmax(0,1fr)]">
      <Contents />
      <Desk {inserting} onclosed={() => (inserting = null)} />
    </main>
  {:catch problem}
    <main class="p-10 text-center"><NotOpened {problem} /></main>
  {/await}
  <footer class="flex items-center gap-5 border-t bg-straw px-4 text-chrome">
    {#if copy.told}
      <Alert>{copy.told}</Alert>
      <Button look="quiet" size="low" onclick={() => (copy.told = "")}>Close</Button>
    {:else if copy.refused && !copy.isTold}
      <Alert>{copy.refused.message}</Alert>
      {#if copy.refused.failed}
        <Button look="quiet" size="low" onclick={() => copy.tryAgain()}>Try again</Button>
      {/if}
      <Button look="quiet" size="low" onclick={() => copy.dismiss()}>Close</Button>
    {/if}
    <!-- Before it is opened nothing is known of it, and so nothing is told. -->
    <span class="soft" role="status"
      >{#if copy.changed}{folded} of {items.length} items folded now{/if}</span
    >
    {#if missing}
      <Button
        look="quiet"
        size="low"
        title={withKeys("Go to the next", "nextUnanswered")}
        onclick={() => copy.nextUnanswered()}>{missing} still to be answered</Button
      >
    {/if}
    {#if findings}
      <Button
        look="quiet"
        size="low"
        title={withKeys("Go to the next", "nextFinding")}
        onclick={() => copy.nextFinding(1)}>{findings} {findings === 1 ? "finding" : "findings"}</Button
      >
    {/if}
    {#if broken}
      <Button look="quiet" size="low" onclick={() => router.go(`/templates/${template}/prove`)}
        ><span class="trouble block max-w-96 truncate" title={broken}>{broken}</span></Button
      >
    {/if}
    {#if answered}
      <span class="soft">{answered} {answered === 1 ? "answer" : "answers"} tried out</span>
      <Button look="quiet" size="low" onclick={() => copy.clearAnswers()}>Clear them</Button>
    {/if}
    {#if copy.hasTriedBefore}
      <Button
        look="quiet"
        size="low"
        title="Type the answers again that were tried out before"
        onclick={() => copy.tryBefore()}>Answers before</Button
      >
    {/if}
    <span class="soft ml-auto whitespace-nowrap" role="status"
      >{#if copy.changed}{copy.release ? `after release ${copy.release}` : "never released"} · kept {time(
          copy.changed,
        )}{/if}</span
    >
    <Button look="underlined" class="soft" onclick={() => (palette = true)}
      >{KEYS.actions[0]}: everything</Button
    >
  </footer>
</div>
