<script lang="ts">
  let {
    columns,
    rows,
  }: {
    columns: { label: string; numeric: boolean }[];
    /** As many cells in each as there are columns. */
    rows: string[][];
  } = $props();
</script>

<!-- Words in rows and columns, to be read only; where it is too wide it scrolls by itself. -->
<div class="overflow-x-auto">
  <table>
    <thead>
      <tr>
        {#each columns as { label, numeric }, i (i)}<th scope="col" class:numeric>{label}</th>{/each}
      </tr>
    </thead>
    <tbody>
      {#each rows as row, i (i)}
        <tr>
          {#each row as cell, j (j)}<td class:numeric={columns[j]?.numeric}>{cell}</td>{/each}
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
  }

  .numeric {
    text-align: end;
    font-variant-numeric: tabular-nums;
  }
</style>
