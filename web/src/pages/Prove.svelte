<script lang="ts">
  import Busy from "../ui/Busy.svelte";
  import Alert from "../ui/Alert.svelte";
  import type { Example, Finding } from "../api/types";
  import NotOpened from "../document/NotOpened.svelte";
  import { provide } from "../draft/context";
  import FindingList from "../draft/editors/FindingList.svelte";
  import { lookedThrough } from "../draft/lookedThrough.svelte";
  import { WorkingCopy } from "../draft/workingCopy.svelte";
  import Coverage from "../prove/Coverage.svelte";
  import { told } from "../prove/promises";
  import PromiseList from "../prove/PromiseList.svelte";
  import TrialList from "../prove/TrialList.svelte";
  import { router } from "../router.svelte";
  import Button from "../ui/Button.svelte";
  import TopBar from "./TopBar.svelte";

  let { template }: { template: string } = $props();

  // svelte-ignore state_referenced_locally (the page is made anew for another template)
  const copy = provide(new WorkingCopy(template));
  const opened = copy.open();
  lookedThrough(copy);

  const groups = $derived<{ title: string; findings: Finding[] }[]>(
    [
      { title: "Keeps it from being released", findings: copy.findings.filter(({ blocks }) => blocks) },
      {
        title: "Mended with one click",
        findings: copy.findings.filter(({ blocks, mends }) => !blocks && mends.length),
      },
      {
        title: "So for some answers",
        findings: copy.findings.filter(({ blocks, mends, example }) => !blocks && !mends.length && example),
      },
      {
        title: "Worth a look",
        findings: copy.findings.filter(({ blocks, mends, example }) => !blocks && !mends.length && !example),
      },
    ].filter(({ findings }) => findings.length),
  );
  const failing = $derived(copy.trials.filter(({ missed }) => missed?.length).length);
  const tried = $derived(copy.trials.filter(({ expected }) => expected).length);
  const verdicts = $derived(copy.promises.flatMap(({ verdict }) => (verdict ? [verdict] : [])));

  // What is pointed at here is looked at where it is written.
  $effect(() => {
    if (copy.selected) router.go(`/templates/${template}`, copy.selected);
  });

  async function load(example: Example) {
    await copy.tryExample(example);
    router.go(`/templates/${template}`);
  }

  async function loadTrial(name: string) {
    await copy.tryTrial(name);
    router.go(`/templates/${template}`);
  }
</script>

<svelte:head><title>Prove · {copy.title} · Loesscape</title></svelte:head>

<TopBar title={copy.title} {template} view="Prove">
  <Button look="on spruce" aria-label="Undo" disabled={!copy.canUndo} onclick={copy.undo}>↶</Button>
  <Button look="on spruce" aria-label="Redo" disabled={!copy.canRedo} onclick={copy.redo}>↷</Button>
</TopBar>
{#await opened}
  <Busy whole>Opening …</Busy>
{:then}
  <main class="mx-auto grid max-w-[1040px] grid-cols-[minmax(0,1fr)] gap-7 px-4 py-6 sm:px-6">
    <p class="soft" role="status">
      {#if copy.isProven}
        Looked through for all possible answers:
        {told(verdicts) ? `promises: ${told(verdicts)}` : "nothing promised"};
        {copy.findings.length === 1 ? "1 finding" : `${copy.findings.length || "no"} findings`}{copy
          .acceptedFindings.length
          ? ` and ${copy.acceptedFindings.length} accepted`
          : ""};
        {tried
          ? failing
            ? `${failing} of ${tried} trials ${failing === 1 ? "comes" : "come"} otherwise than expected`
            : `${tried === 1 ? "the trial comes" : `all ${tried} trials come`} as expected`
          : "no trials that expect anything"}.
      {:else if copy.notLookedThrough}
        It could not be looked through. {copy.notLookedThrough}
        <Button look="token" onclick={copy.lookThrough}>Try again</Button>
      {:else}
        Being looked through for all possible answers …
      {/if}
    </p>
    {#if copy.refused}
      <Alert>
        {copy.refused.message}
        {#if copy.refused.failed}<Button look="token" onclick={() => copy.tryAgain()}>Try again</Button>{/if}
        <Button look="token" onclick={() => copy.dismiss()}>Close</Button>
      </Alert>
    {/if}
    <section aria-labelledby="findings">
      <h1 id="findings" class="text-reading font-semibold">Findings</h1>
      <p class="soft mb-2">What was probably not meant.</p>
      {#each groups as { title, findings } (title)}
        <div class="mb-3 rounded-lg border border-straw-line bg-straw px-4 py-2">
          <h2 class="mb-1 font-semibold">{title}</h2>
          <FindingList {findings} named onload={load} />
        </div>
      {:else}
        <p class="mb-2">
          {copy.isProven
            ? copy.acceptedFindings.length
              ? "Nothing was found that is not meant."
              : "Nothing was found."
            : "Being looked for …"}
        </p>
      {/each}
      {#if copy.acceptedFindings.length}
        <details class="mb-3 rounded-lg border border-line bg-paper px-4 py-2">
          <summary class="cursor-pointer font-semibold">Accepted ({copy.acceptedFindings.length})</summary>
          <p class="soft mb-1">Each is told again once what it is about changes.</p>
          <FindingList findings={copy.acceptedFindings} named onload={load} />
        </details>
      {/if}
    </section>
    <section aria-labelledby="promises">
      <h2 id="promises" class="text-reading font-semibold">Promises</h2>
      <p class="soft mb-2">
        What is so whatever is answered. Each is held against all possible answers at every edit.
      </p>
      <PromiseList onload={load} />
    </section>
    <section aria-labelledby="trials">
      <h2 id="trials" class="text-reading mb-2 font-semibold">Trials</h2>
      <TrialList onload={loadTrial} />
    </section>
    <section aria-labelledby="coverage">
      <h2 id="coverage" class="text-reading font-semibold">What the trials have tried</h2>
      <p class="soft mb-2">
        A clause has been tried when it was met in one trial and not in another, and each time decided by
        itself; an edge when exactly it was answered.
      </p>
      <Coverage />
    </section>
  </main>
{:catch problem}
  <div class="p-10"><NotOpened {problem} /></div>
{/await}
