<script lang="ts">
  import type { Example, PromiseRule } from "../api/types";
  import { workingCopy } from "../draft/context";
  import Said from "../draft/margin/Said.svelte";
  import Button from "../ui/Button.svelte";
  import { exampleWords } from "./promises";
  import PromiseTokens from "./PromiseTokens.svelte";

  let { onload }: { onload: (example: Example) => void } = $props();

  const copy = workingCopy();
  const promises = $derived(copy.promises);
  /** Which is being changed; one behind the last is a new one. */
  let open = $state<number | null>(null);
  let begins = $state(false);

  const change = (make: (now: PromiseRule[]) => PromiseRule[]) =>
    copy.edit(() => ({
      type: "setPromises",
      promises: make((copy.settings?.promises ?? []).map(({ rule }) => rule)),
    }));

  /** A new one is put behind the last when it says enough; from then on it is changed as it stands. */
  const put = (at: number, rule: PromiseRule) =>
    change((now) => (at < now.length ? now.with(at, rule) : [...now, rule]));

  function write() {
    begins = true;
    open = promises.length;
  }
</script>

<!-- What is promised, and whether it is so. -->
<ul class="grid gap-2">
  {#each promises as { rule, sentence, verdict }, i (i)}
    <li class="promise" class:broken={verdict?.type === "broken"}>
      <div class="flex items-start gap-3">
        <span class={["verdict", verdict?.type ?? "waits"]}
          >{verdict
            ? { kept: "kept", broken: "broken", open: "not decided" }[verdict.type]
            : "being looked at"}</span
        >
        <p class="min-w-0 grow text-sheet"><Said parts={sentence.parts} /></p>
        <Button
          look="token"
          aria-expanded={open === i}
          onclick={() => ((begins = false), (open = open === i ? null : i))}
          >{open === i ? "done" : "change"}</Button
        >
        <Button
          look="token faint"
          aria-label={`Take back: ${sentence.parts.map(({ text }) => text).join("")}`}
          onclick={() => ((open = null), change((now) => now.toSpliced(i, 1)))}>×</Button
        >
      </div>
      {#if verdict?.type === "broken"}
        <p class="mt-1.5 flex flex-wrap items-center gap-2">
          <span class="trouble">Not so for these answers:</span>
          <span>{exampleWords(copy, verdict.example)}</span>
          <Button look="token" onclick={() => onload(verdict.example)}>Try these answers</Button>
        </p>
        {#if verdict.hint}<p class="soft mt-1">{verdict.hint}</p>{/if}
      {:else if verdict?.type === "open"}
        <p class="soft mt-1.5">
          No answers were found that break it, and it cannot be said of all, because of: {verdict.because.join(
            "; ",
          )}.
        </p>
      {:else if verdict?.type === "kept" && verdict.isIdle}
        <p class="soft mt-1.5">No answers at all meet what it is about, so it promises nothing.</p>
      {/if}
      {#if open === i}
        <div class="mt-2 border-t pt-2">
          <PromiseTokens {rule} fresh={begins} onchange={(rule) => put(i, rule)} />
        </div>
      {/if}
    </li>
  {/each}
  {#if open === promises.length}
    <li class="promise"><PromiseTokens rule={null} fresh onchange={(rule) => put(open!, rule)} /></li>
  {:else}
    <li><Button onclick={write}>Write a promise</Button></li>
  {/if}
</ul>

<style>
  .promise {
    border: 1px solid var(--color-line);
    border-radius: var(--radius-lg);
    background: var(--color-paper);
    padding: 8px 12px;
  }

  .promise.broken {
    border-color: var(--color-clay);
  }

  .verdict {
    flex: none;
    min-width: 6.5rem;
    border-radius: var(--radius-md);
    padding: 1px 8px;
    font: 600 var(--text-note)/1.7 var(--font-chrome);
    text-align: center;
  }

  .kept {
    background: var(--color-moss-tint);
    color: var(--color-moss);
  }

  .verdict.broken {
    background: var(--color-clay-tint);
    color: var(--color-clay);
  }

  .open {
    background: var(--color-ochre-tint);
    color: var(--color-ochre-ink);
  }

  .waits {
    background: var(--color-ground-deep);
    color: var(--color-soft);
  }
</style>
