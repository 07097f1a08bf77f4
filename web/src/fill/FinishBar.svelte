<script lang="ts">
  import Button from "../ui/light/Button.svelte";
  import { time } from "../times";
  import type { Filling } from "./filling.svelte";

  let { filling, onnext, onfinish }: { filling: Filling; onnext: () => void; onfinish: () => void } =
    $props();

  const needed = $derived(filling.sheet?.obstacles.length ?? 0);
</script>

<div class="not-printed fixed inset-x-0 bottom-0 z-10 bg-spruce text-spruce-ink">
  {#if filling.refused}
    <p role="alert" class="bg-clay-tint px-4 py-2 text-center text-sheet font-semibold text-clay">
      {filling.refused}
      {#if filling.hasFailed}
        <Button look="underlined" class="ms-2" onclick={() => filling.tryAgain()}>Try again</Button>
      {/if}
    </p>
  {/if}
  <div class="bar mx-auto max-w-[1120px] px-4 py-2.5 text-sheet sm:px-6">
    <p class="needed">
      {#if needed}
        <b class="font-semibold">{needed} {needed === 1 ? "answer" : "answers"}</b>
        needed before you can finish
      {:else}
        Nothing more is needed
      {/if}
    </p>
    {#if needed}
      <Button look="on spruce" size="tall" class="next" onclick={onnext}>Show the next one</Button>
    {/if}
    <span class="kept text-chrome text-spruce-soft" role="status">
      {#if filling.waiting}Not kept yet; trying again{:else if filling.keptAt}Kept {time(filling.keptAt)}{/if}
    </span>
    <Button look="primary" size="tall" class="finish" disabled={filling.busy} onclick={onfinish}>
      Finish
    </Button>
  </div>
</div>

<style>
  .bar {
    display: flex;
    align-items: center;
    gap: 16px;
  }

  .bar :global(.finish) {
    margin-inline-start: auto;
  }

  @media (max-width: 639px) {
    .bar {
      display: grid;
      grid-template-columns: 1fr auto;
      gap: 6px 12px;
    }

    .kept {
      grid-area: 1 / 2;
      text-align: right;
    }

    .bar :global(.next) {
      justify-self: start;
    }

    .bar :global(.finish) {
      grid-area: 2 / 2;
    }
  }
</style>
