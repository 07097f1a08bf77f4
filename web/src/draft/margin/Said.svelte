<script lang="ts">
  import type { Part } from "../../api/types";
  import { workingCopy } from "../context";

  let { parts }: { parts: Part[] } = $props();

  const copy = workingCopy();
</script>

<!-- A sentence of the margin. -->
<!-- eslint-disable no-restricted-syntax -- there are more than there are items: a component for each is work that nobody sees -->
{#each parts as part, i (i)}{#if part.type === "strong"}<b>{part.text}</b
    >{:else if part.type === "fieldName"}<button
      type="button"
      class="field"
      onclick={() => copy.select(part.key, true)}>{part.text}</button
    >{:else if part.type === "sharedName"}<i>{part.text}</i>{:else if part.type === "figure"}<span
      class="figure">{part.text}</span
    >{:else if part.type === "blankRule"}<span class="blank">{part.text}</span>{:else}{part.text}{/if}{/each}

<style>
  b {
    font-weight: 600;
  }

  .blank {
    font: var(--text-note) var(--font-chrome);
    color: var(--color-soft);
  }

  .field {
    color: var(--color-river);
    font-weight: 600;
    border-bottom: 1.5px dotted var(--color-river-soft);
    line-height: 1.15;
  }

  .figure {
    background: var(--color-ochre-tint);
    border-radius: 3px;
    padding: 0 5px;
    font-weight: 600;
    color: var(--color-ochre-ink);
    overflow-wrap: anywhere;
  }
</style>
