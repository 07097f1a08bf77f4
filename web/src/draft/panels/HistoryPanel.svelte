<script lang="ts">
  import Alert from "../../ui/Alert.svelte";
  import { focused } from "../../ui/focused";
  import Button from "../../ui/Button.svelte";
  import { request } from "../../api/http";
  import type { History } from "../../api/types";
  import { time } from "../../times";
  import { workingCopy } from "../context";

  let { onclose }: { onclose: () => void } = $props();

  const copy = workingCopy();
  let history = $state<History | null>(null);
  let trouble = $state("");

  $effect(() => {
    void copy.revision;
    request<History>("GET", `/api/templates/${copy.template}/draft/history`).then(
      (told) => (history = told),
      (problem: Error) => (trouble = problem.message),
    );
  });

  async function back(steps: number) {
    for (let step = 0; step < steps && !copy.refused; step++) await copy.undo();
  }
</script>

<svelte:window onkeydown={(event) => event.key === "Escape" && onclose()} />

<!-- What was done to the document, the last first; it lies over the margin and leaves the document in sight. -->
<section class="history" aria-label="History">
  <header class="flex items-center pb-1.5">
    <h2 class="font-semibold">History</h2>
    <Button look="quiet" size="low" class="ml-auto" {@attach focused} onclick={onclose}>Close</Button>
  </header>
  {#if trouble}<Alert>{trouble}</Alert>{/if}
  <ol class="min-h-0 overflow-y-auto">
    {#each history?.steps ?? [] as step (step.revision)}
      <li class={["step", step.undone && "undone"]}>
        <span class="soft whitespace-nowrap">{time(step.made)}</span>
        <span class="min-w-0 grow [overflow-wrap:anywhere]"
          >{step.words}{#if step.undone}<span class="soft"> (taken back)</span>{/if}
          <span class="soft block text-note">{step.by}</span></span
        >
        {#if step.back}
          <Button
            look="token"
            title="Take back this edit of yours and all of yours after it"
            onclick={() => back(step.back)}>{step.back === 1 ? "Undo" : `Undo to here`}</Button
          >
        {/if}
      </li>
    {:else}
      <li class="soft">{history ? "Nothing was edited yet." : "Looking …"}</li>
    {/each}
  </ol>
</section>

<style>
  .history {
    position: fixed;
    top: 56px;
    right: 18px;
    bottom: 46px;
    z-index: 35;
    display: flex;
    flex-direction: column;
    width: min(430px, calc(100vw - 36px));
    border: 1px solid var(--color-edge);
    border-radius: var(--radius-lg);
    background: var(--color-paper);
    box-shadow: var(--shadow-card);
    padding: 12px 14px;
  }

  .step {
    display: flex;
    align-items: baseline;
    gap: 10px;
    border-top: 1px solid var(--color-line);
    padding-block: 5px;
  }

  .undone {
    color: var(--color-soft);
  }
</style>
