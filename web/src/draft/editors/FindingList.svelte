<script lang="ts">
  import type { Example, Finding } from "../../api/types";
  import Button from "../../ui/Button.svelte";
  import { workingCopy } from "../context";

  /** `named` where it has to be said what they are about. */
  let {
    findings,
    named = false,
    onload = (example) => void copy.tryExample(example),
  }: { findings: Finding[]; named?: boolean; onload?: (example: Example) => void } = $props();

  const copy = workingCopy();
</script>

<!-- What was found, with the answers for which it is so. -->
<ul>
  {#each findings as { key, message, example, mends }, i (i)}
    <li class="mb-1">
      {#if named && key && copy.nodes.has(key)}<Button look="link" onclick={() => copy.select(key, true)}
          >{copy.view(key).name}</Button
        >{/if}
      {message}
      {#if example || mends.length}
        <div class="mt-1 flex flex-wrap gap-1">
          {#if example}
            <Button look="token" onclick={() => onload(example)}>Try these answers</Button>
          {/if}
          {#each mends as { words, edit } (words)}
            <Button look="token" onclick={() => copy.edit(edit)}>{words}</Button>
          {/each}
        </div>
      {/if}
    </li>
  {/each}
</ul>
