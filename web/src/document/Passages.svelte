<script lang="ts">
  import type { Passage, PassageSpan } from "../api/types";
  import PlainTable from "../ui/light/PlainTable.svelte";

  let { text, number = "" }: { text: Passage[]; number?: string } = $props();

  type Block =
    { points: false; passage: Passage } | { points: true; list: Extract<Passage, { type: "paragraph" }>[] };

  /** Points that follow each other are one list. */
  const blocks = $derived.by(() => {
    const blocks: Block[] = [];
    for (const passage of text) {
      const last = blocks.at(-1);
      if (passage.type === "paragraph" && passage.point) {
        if (last?.points) last.list.push(passage);
        else blocks.push({ points: true, list: [passage] });
      } else blocks.push({ points: false, passage });
    }
    return blocks;
  });
</script>

{#snippet said({ spans }: { spans: PassageSpan[] })}
  {#each spans as { text, strong, emphasis }, i (i)}
    {#if strong && emphasis}<strong><em>{text}</em></strong>{:else if strong}<strong>{text}</strong
      >{:else if emphasis}<em>{text}</em>{:else}{text}{/if}
  {/each}
{/snippet}

<!-- A text as it stands now: paragraphs, lists and tables, with the number of a clause before it. -->
<div class={["passages", number && "numbered"]} dir="auto">
  {#if number}<span class="number">{number}</span>{/if}
  <div class="grow">
    {#each blocks as block, i (i)}
      {#if block.points}
        <ul>
          {#each block.list as passage, j (j)}<li>{@render said(passage)}</li>{/each}
        </ul>
      {:else if block.passage.type === "paragraph"}
        <p>{@render said(block.passage)}</p>
      {:else if block.passage.rows.length}
        {@const { columns, rows } = block.passage}
        <PlainTable {columns} {rows} hasHeads={columns.some(({ head }) => head.spans.length)} cell={said} />
      {/if}
    {/each}
  </div>
</div>

<style>
  .passages {
    overflow-wrap: anywhere;
  }

  .numbered {
    display: flex;
    gap: 10px;
  }

  .grow {
    display: flex;
    flex: 1;
    flex-direction: column;
    gap: 0.5em;
    min-width: 0;
  }

  .number {
    flex-shrink: 0;
    min-width: 2.2em;
    font-variant-numeric: tabular-nums;
  }

  p {
    white-space: pre-wrap;
  }

  ul {
    list-style: disc;
    padding-inline-start: 1.3em;
    white-space: pre-wrap;
  }
</style>
