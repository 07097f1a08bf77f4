<script lang="ts">
  import { focused } from "../../ui/focused";
  import Button from "../../ui/Button.svelte";
  import { ASPECTS } from "../../api/aspects";
  import { request } from "../../api/http";
  import type { Explained, Way, Why } from "../../api/types";
  import { workingCopy } from "../context";

  let { at, onclose }: { at: string; onclose: () => void } = $props();

  const copy = workingCopy();
  let why = $state<Why | null>(null);
  let trouble = $state("");

  $effect(() => {
    void copy.revision;
    void copy.answered;
    request<Why>("GET", `/api/templates/${copy.template}/draft/why/${encodeURIComponent(at)}`).then(
      (told) => (why = told),
      (problem: Error) => (trouble = problem.message),
    );
  });

  function make(way: Way) {
    for (const { address, typed } of way.changes) copy.tryOut(address, typed);
    onclose();
  }
</script>

{#snippet explained(it: Explained, depth: number)}
  <li style:padding-left={`${depth * 14}px`}>
    <span class={it.holds ? "yes" : "no"}>{it.holds ? "holds" : "not now"}</span>
    {it.text}
    {#if it.seen.length}
      <span class="soft"
        >({it.seen
          .map(({ name, value, counts }) => `${name}: ${!counts ? "folded" : value || "blank"}`)
          .join(", ")})</span
      >
    {/if}
    {#if it.blank}<br /><span class="soft">{it.blank}</span>{/if}
  </li>
  {#each it.parts as part, i (i)}{@render explained(part, depth + 1)}{/each}
{/snippet}

<svelte:window onkeydown={(event) => event.key === "Escape" && onclose()} />

<div class="why" role="region" aria-label="Why">
  {#if trouble}<p class="trouble">{trouble}</p>{/if}
  {#if why}
    {#if why.foldedIn.length}<p>Folded with {why.foldedIn.map((name) => `“${name}”`).join(" in ")}.</p>{/if}
    <ul>
      {#each why.reasons as reason, i (i)}
        <li class="mt-1 first:mt-0"><b>{reason.what}</b></li>
        {@render explained(reason.says, 0)}
      {/each}
    </ul>
    {#if !why.reasons.length && !why.foldedIn.length}<p class="soft">Nothing drives it.</p>{/if}
    {#each why.ways as way (way.opens)}
      <p class="mt-2">
        <Button onclick={() => make(way)}>{ASPECTS[way.opens].wish}</Button>
        <span class="soft">{way.changes.map(({ words }) => words).join(", and ")}</span>
      </p>
    {/each}
  {/if}
  <Button look="underlined" class="soft close" {@attach focused} onclick={onclose}>Close</Button>
</div>

<style>
  .why {
    position: relative;
    border: 1px solid var(--color-straw-line);
    border-radius: var(--radius-md);
    background: var(--color-straw);
    padding: 8px 12px;
    margin-block: 4px 6px;
    font-size: var(--text-chrome);
  }

  .why :global(li) {
    line-height: 1.55;
  }

  .yes,
  .no {
    display: inline-block;
    min-width: 52px;
    font-size: var(--text-note);
    font-weight: 600;
  }

  .yes {
    color: var(--color-moss);
  }

  .no {
    color: var(--color-straw-ink);
  }

  div :global(.close) {
    position: absolute;
    top: 6px;
    right: 10px;
    font-size: var(--text-note);
  }
</style>
