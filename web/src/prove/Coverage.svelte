<script lang="ts">
  import type { Suggestions, Trial } from "../api/types";
  import { Asking } from "../api/asking.svelte";
  import { workingCopy } from "../draft/context";
  import Button from "../ui/Button.svelte";
  import Outcome from "../ui/Outcome.svelte";
  import Progress from "../ui/Progress.svelte";
  import { byItem, missing, percent } from "./coverage";

  const MOST_ITEMS = 12;

  const copy = workingCopy();
  const asking = new Asking();
  let suggestions = $state.raw<Suggestions | null>(null);
  let isWhole = $state(false);

  const share = $derived(copy.coverage);
  const suggested = $derived(suggestions?.trials ?? []);
  const groups = $derived(byItem(share?.untried ?? []));
  const figures = $derived(
    share
      ? [
          {
            label: "Clauses met in one trial and not met in another",
            part: share.bothWays,
            of: share.clauses,
          },
          { label: "Clauses that decide by themselves, both ways", part: share.deciding, of: share.clauses },
          { label: "Edges answered exactly", part: share.exactly, of: share.edges },
        ]
      : [],
  );

  const suggest = () =>
    asking.run(async () => {
      suggestions = await copy.suggestedTrials();
    });

  async function take(trials: Trial[]) {
    if (!(await copy.edit({ type: "putTrials", trials }))) return;
    const taken = new Set(trials.map(({ name }) => name));
    suggestions = {
      trials: suggested.filter(({ trial }) => !taken.has(trial.name)),
      impossible: suggestions?.impossible ?? [],
      isWhole: suggestions?.isWhole ?? true,
    };
  }

  const answersOf = ({ answers }: Trial) => {
    const count = Object.keys(answers).length;
    return `${count} ${count === 1 ? "answer" : "answers"}`;
  };
</script>

<!-- How much of the logic the trials have tried, what they have not, and trials that would. -->
{#if share}
  <dl class="grid gap-1.5">
    {#each figures as { label, part, of } (label)}
      <div class="figure">
        <dt>{label}</dt>
        <dd class="flex items-center gap-3">
          <Progress done={part} {of} {label} /><b class="w-20 text-right tabular-nums">{percent(part, of)}</b>
        </dd>
      </div>
    {/each}
  </dl>
  <div class="mt-3 flex flex-wrap items-center gap-2">
    {#if groups.length || share.missedEdges.length}
      <Button disabled={asking.busy} onclick={suggest}
        >{asking.busy ? "Looking for trials …" : "Suggest trials of the rest"}</Button
      >
    {:else if share.clauses}
      <span>All that can be told apart was tried.</span>
    {:else}
      <span class="soft">There is no logic to try yet.</span>
    {/if}
    {#if suggested.length}
      <Button look="primary" onclick={() => take(suggested.map(({ trial }) => trial))}
        >{suggested.length === 1 ? "Take it" : `Take all ${suggested.length}`}</Button
      >
      <span class="soft">Each expects what comes of it now: read that once.</span>
    {:else if suggestions}
      <span class="soft" role="status"
        >{groups.length || share.missedEdges.length
          ? suggestions.isWhole
            ? "No answers try any more than this."
            : "A document has at most 500 trials."
          : "Taken."}</span
      >
    {/if}
  </div>
  <Outcome {asking} class="mt-2" />
  {#if suggested.length}
    <ul class="mt-2 grid gap-1.5" aria-label="Suggested trials">
      {#each suggested as { trial, tries } (trial.name)}
        <li class="suggestion">
          <div class="flex flex-wrap items-baseline gap-x-3">
            <b class="min-w-0 grow break-words">{trial.name}</b>
            <span class="soft whitespace-nowrap">{answersOf(trial)}</span>
            <Button look="token" aria-label={`Take ${trial.name}`} onclick={() => take([trial])}>Take</Button>
          </div>
          <p class="soft">
            {tries.slice(0, 2).join("; ")}{#if tries.length > 2}; and {tries.length - 2} more{/if}
          </p>
        </li>
      {/each}
    </ul>
  {/if}
  {#if suggestions?.impossible.length}
    <details class="mt-2">
      <summary>{suggestions.impossible.length} can never come about, whatever is answered</summary>
      <ul class="soft mt-1 ml-4 list-disc">
        {#each suggestions.impossible as words, i (i)}<li>{words}</li>{/each}
      </ul>
    </details>
  {/if}
  {#if groups.length || share.missedEdges.length}
    <h3 class="mt-4 mb-1 font-semibold">Not tried yet</h3>
    <ul class="grid gap-1">
      {#each isWhole ? groups : groups.slice(0, MOST_ITEMS) as [about, clauses] (about)}
        <li>
          {#if copy.nodes.has(about)}<Button look="link" onclick={() => copy.select(about, true)}
              >{copy.view(about).name}</Button
            >{:else}<b>{about}</b>{/if}
          {#each clauses as clause, i (i)}{i ? "; " : " "}{#if copy.nodes.has(about)}<span class="soft"
                >{clause.what}:{" "}</span
              >{/if}“{clause.clause}” <span class="soft">{missing(clause)}</span>{/each}
        </li>
      {/each}
      {#if groups.length > MOST_ITEMS && !isWhole}
        <li>
          <Button look="underlined" onclick={() => (isWhole = true)}
            >All {groups.length} items with something untried</Button
          >
        </li>
      {/if}
      {#if share.missedEdges.length}
        <li>
          <b>Exactly at the edge</b>
          {#each share.missedEdges as { field, edge }, i (i)}{i ? "; " : " "}{copy.nodes.get(field)?.name ??
              field}
            <span class="whitespace-nowrap">{edge}</span>{/each}
        </li>
      {/if}
    </ul>
  {/if}
{:else}
  <p class="soft">Being looked at …</p>
{/if}

<style>
  .figure {
    display: grid;
    grid-template-columns: minmax(0, 22rem) minmax(0, 1fr);
    align-items: center;
    gap: 4px 16px;
  }

  .suggestion {
    border: 1px dashed var(--color-line);
    border-radius: var(--radius-lg);
    background: var(--color-paper);
    padding: 6px 12px;
  }

  @media (max-width: 640px) {
    .figure {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
