<script lang="ts" generics="Cell">
  import type { Snippet } from "svelte";

  let {
    columns,
    hasHeads,
    rows,
    cell,
  }: {
    columns: { head: Cell; numeric: boolean }[];
    hasHeads: boolean;
    /** As many cells in each as there are columns. */
    rows: Cell[][];
    /** What stands in a cell. */
    cell: Snippet<[Cell]>;
  } = $props();
</script>

<!-- Words in rows and columns, to be read only; where it is too wide it scrolls by itself. -->
<div class="overflow-x-auto">
  <table>
    {#if hasHeads}
      <thead>
        <tr>
          {#each columns as { head, numeric }, i (i)}<th scope="col" class:numeric>{@render cell(head)}</th
            >{/each}
        </tr>
      </thead>
    {/if}
    <tbody>
      {#each rows as row, i (i)}
        <tr>
          {#each row as said, j (j)}<td class:numeric={columns[j]?.numeric}>{@render cell(said)}</td>{/each}
        </tr>
      {/each}
    </tbody>
  </table>
</div>

<style>
  table {
    border-collapse: collapse;
    width: 100%;
    font-size: 0.95em;
  }

  th {
    text-align: start;
    font-weight: 400;
    color: var(--color-soft);
    border-bottom: 1px solid var(--color-edge);
    padding: 2px 8px 2px 0;
  }

  td {
    border-bottom: 1px solid var(--color-line);
    padding: 3px 8px 3px 0;
    vertical-align: top;
    white-space: pre-line;
  }

  .numeric {
    text-align: end;
    white-space: nowrap;
    font-variant-numeric: tabular-nums;
  }
</style>
