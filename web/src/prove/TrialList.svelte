<script lang="ts">
  import { workingCopy } from "../draft/context";
  import Button from "../ui/Button.svelte";
  import Input from "../ui/Input.svelte";
  import Table from "../ui/Table.svelte";
  import TableHead from "../ui/TableHead.svelte";

  let { onload }: { onload: (name: string) => void } = $props();

  const copy = workingCopy();
  let name = $state("");

  async function record(event: Event) {
    event.preventDefault();
    if (await copy.record(name)) name = "";
  }
</script>

<!-- Sets of answers, and whether what is expected of them comes. -->
<form class="flex flex-wrap items-center gap-2" onsubmit={record}>
  <Button type="submit">Record how it stands now</Button>
  <Input
    width="18rem"
    aria-label="Name of the trial"
    placeholder="named by its answers"
    maxlength={200}
    bind:value={name}
  />
  <span class="soft">All that follows from the answers tried out is expected again.</span>
</form>
<ul class="mt-3 grid gap-2">
  {#each copy.trials as { name, answers, expected, missed } (name)}
    <li class={["trial", missed?.length && "fails"]}>
      <div class="flex flex-wrap items-baseline gap-x-3 gap-y-1">
        <span class={["outcome", !missed ? "waits" : missed.length ? "fails" : expected ? "passes" : "waits"]}
          >{#if !missed}being tried{:else if missed.length}{missed.length} otherwise{:else if expected}as
            expected{:else}answers only{/if}</span
        >
        <b class="min-w-0 grow break-words">{name}</b>
        <span class="soft whitespace-nowrap"
          >{answers} {answers === 1 ? "answer" : "answers"}, {expected} expected</span
        >
        <span class="flex gap-1">
          <Button look="token" aria-label={`Try these answers: ${name}`} onclick={() => onload(name)}
            >Try these answers</Button
          >
          {#if missed?.length || !expected}
            <Button
              look="token"
              aria-label={`Expect what comes now: ${name}`}
              onclick={() => copy.expect(name)}>Expect what comes now</Button
            >
          {/if}
          <Button
            look="token faint"
            aria-label={`Take the trial ${name} away`}
            onclick={() => copy.edit({ type: "removeTrial", name })}>×</Button
          >
        </span>
      </div>
      {#if missed?.length}
        <Table framed={false} class="mt-2 w-full" label={`What came otherwise of ${name}`}>
          {#snippet heads()}
            <TableHead>Item</TableHead>
            <TableHead>Expected</TableHead>
            <TableHead>Is</TableHead>
            <TableHead>Because</TableHead>
          {/snippet}
          {#snippet body()}
            {#each missed as { address, about, expected, actual, because }, i (i)}
              <tr class="align-baseline">
                <td class="px-3 py-0.5"
                  >{#if copy.nodes.has(address)}<Button look="link" onclick={() => copy.select(address, true)}
                      >{about}</Button
                    >{:else}{about}{/if}</td
                >
                <td class="px-3 py-0.5 whitespace-nowrap">{expected}</td>
                <td class="px-3 py-0.5 whitespace-nowrap"><b class="trouble">{actual}</b></td>
                <td class="soft px-3 py-0.5">{because}</td>
              </tr>
            {/each}
          {/snippet}
        </Table>
      {/if}
    </li>
  {:else}
    <li class="soft">
      No trials yet. Try answers out in the Draft view, then record how the document stands: from then on
      every edit is held to it.
    </li>
  {/each}
</ul>

<style>
  .trial {
    border: 1px solid var(--color-line);
    border-radius: var(--radius-lg);
    background: var(--color-paper);
    padding: 8px 12px;
  }

  .trial.fails {
    border-color: var(--color-clay);
  }

  .outcome {
    min-width: 6.5rem;
    border-radius: var(--radius-md);
    padding: 1px 8px;
    font: 600 var(--text-note)/1.7 var(--font-chrome);
    text-align: center;
  }

  .passes {
    background: var(--color-moss-tint);
    color: var(--color-moss);
  }

  .outcome.fails {
    background: var(--color-clay-tint);
    color: var(--color-clay);
  }

  .waits {
    background: var(--color-ground-deep);
    color: var(--color-soft);
  }
</style>
