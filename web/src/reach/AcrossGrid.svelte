<script lang="ts">
  import type { ReachAcross } from "../api/types";
  import { workingCopy } from "../draft/context";
  import Button from "../ui/Button.svelte";
  import Table from "../ui/Table.svelte";
  import TableHead from "../ui/TableHead.svelte";
  import { said } from "./cells";

  let { table, field }: { table: ReachAcross; field: string } = $props();

  const copy = workingCopy();
  const name = (key: string) => copy.nodes.get(key)?.name ?? key;
</script>

<!-- One follower by two answers: one down, the other across. -->
<div class="overflow-x-auto">
  <Table
    framed={false}
    label={`${table.column.name}, ${table.column.heading}, by ${name(field)} and ${name(table.other)}`}
  >
    {#snippet heads()}
      <TableHead
        ><Button look="bare" class="font-semibold" onclick={() => copy.select(field, true)}
          >{name(field)} ↓</Button
        >
        · <Button look="bare" class="font-semibold" onclick={() => copy.select(table.other, true)}
          >{name(table.other)} →</Button
        ></TableHead
      >
      {#each table.across as { words }, place (place)}
        <TableHead>{words}</TableHead>
      {/each}
    {/snippet}
    {#snippet body()}
      {#each table.rows as { words }, row (row)}
        <tr class="border-b">
          <th scope="row" class="px-3 py-1 text-left font-semibold whitespace-nowrap">{words}</th>
          {#each table.cells[row]! as cell, place (place)}
            <td class={["px-3 py-1 whitespace-nowrap", cell.isTrouble && "trouble"]}>
              {#if cell.becomes === "yes" || cell.becomes === "no" || cell.becomes === "depends"}<span
                  class={["mark", cell.becomes]}
                  aria-hidden="true"
                ></span>{/if}
              <span class={cell.becomes !== "yes" && cell.becomes !== "says" ? "soft" : ""}
                >{said(cell, table.column)}</span
              >
            </td>
          {/each}
        </tr>
      {/each}
    {/snippet}
  </Table>
</div>

<style>
  .mark {
    display: inline-block;
    width: 11px;
    height: 11px;
    margin-right: 5px;
    border-radius: 3px;
    vertical-align: -1px;
  }

  .yes {
    background: var(--color-moss);
  }

  .no {
    border: 1.5px dashed var(--color-soft);
  }

  .depends {
    border: 1.5px solid var(--color-ochre-ink);
    background: linear-gradient(135deg, var(--color-ochre-ink) 50%, transparent 50%);
  }
</style>
