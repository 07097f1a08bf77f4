<script lang="ts">
  import type { Example, Finding } from "../../api/types";
  import Button from "../../ui/Button.svelte";
  import { workingCopy } from "../context";
  import AcceptReason from "./AcceptReason.svelte";

  /** `named` where it has to be said what they are about. */
  let {
    findings,
    named = false,
    onload = (example) => void copy.tryExample(example),
  }: { findings: Finding[]; named?: boolean; onload?: (example: Example) => void } = $props();

  const copy = workingCopy();
  /** The finding that is being accepted. */
  let accepting = $state<string | null>(null);
  const idOf = ({ key, message }: Finding) => `${key} ${message}`;
</script>

<!-- What was found, with the answers for which it is so. -->
<ul>
  {#each findings as finding (idOf(finding))}
    {@const { key, message, example, mends, accepted } = finding}
    <li class="mb-1">
      {#if named && key && copy.nodes.has(key)}<Button look="link" onclick={() => copy.select(key, true)}
          >{copy.view(key).name}</Button
        >{/if}
      {message}
      {#if accepted}<p class="soft">Accepted: {accepted}</p>{/if}
      {#if accepting === idOf(finding)}
        <AcceptReason {finding} onclose={() => (accepting = null)} />
      {:else}
        <div class="mt-1 flex flex-wrap gap-1">
          {#if example}
            <Button look="token" onclick={() => onload(example)}>Try these answers</Button>
          {/if}
          {#each mends as { words, edit } (words)}
            <Button look="token" onclick={() => copy.edit(edit)}>{words}</Button>
          {/each}
          {#if accepted}
            <Button look="token" onclick={() => copy.accept(finding, "")}>Tell it again</Button>
          {:else}
            <Button look="token faint" onclick={() => (accepting = idOf(finding))}>It is meant …</Button>
          {/if}
        </div>
      {/if}
    </li>
  {/each}
</ul>
