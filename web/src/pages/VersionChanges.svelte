<script lang="ts">
  import Busy from "../ui/Busy.svelte";
  import { ASPECTS } from "../api/aspects";
  import { Asking } from "../api/asking.svelte";
  import { request } from "../api/http";
  import type { VersionsCompared } from "../api/types";
  import { inside } from "../router.svelte";
  import Button from "../ui/Button.svelte";
  import Outcome from "../ui/Outcome.svelte";
  import Select from "../ui/Select.svelte";
  import Table from "../ui/Table.svelte";
  import TableHead from "../ui/TableHead.svelte";

  /** `releases` are numbers, the newest first; `revision` is that of the draft. */
  let { template, releases, revision }: { template: string; releases: number[]; revision: number } = $props();

  const DRAFT = "draft";
  const MOST = 12;
  /** What is otherwise where how it was and how it is say so themselves. */
  const SAID_BY_BOTH = new Set([
    ...Object.values(ASPECTS).map(({ title }) => title.toLowerCase()),
    "takes part",
    "finishing",
  ]);
  const asking = new Asking();
  // svelte-ignore state_referenced_locally (the last release, until another is picked)
  let from = $state(String(releases[0]));
  let to = $state(DRAFT);
  let compared = $state.raw<VersionsCompared | null>(null);
  let all = $state(false);
  const difference = $derived(compared?.difference);
  const isNothing = $derived(
    difference &&
      ![difference.added, difference.removed, difference.changed, difference.rewritten, difference.open].some(
        (each) => each.length,
      ),
  );
  const count = $derived(difference ? difference.changed.length + difference.rewritten.length : 0);
  const changed = $derived(difference?.changed.slice(0, all ? undefined : MOST) ?? []);
  const rewritten = $derived(difference?.rewritten.slice(0, all ? undefined : MOST) ?? []);

  $effect(() => {
    const asked = new URLSearchParams({ from });
    if (to !== DRAFT) asked.set("to", to);
    void revision;
    void asking.run(async () => {
      compared = await request<VersionsCompared>("GET", `/api/templates/${template}/differences?${asked}`);
    });
  });
</script>

<!-- What another version does otherwise, for all answers that both accept. -->
<section class="rounded-xl border bg-paper px-6 py-5" aria-labelledby="changes">
  <div class="flex flex-wrap items-baseline gap-x-3 gap-y-2">
    <h2 id="changes" class="text-reading font-semibold">What changes for those who fill it in</h2>
    <span class="soft ml-auto flex items-baseline gap-2"
      >from
      <Select aria-label="Earlier version" bind:value={from}>
        {#each releases as number (number)}<option value={String(number)}>release {number}</option>{/each}
      </Select>
      to
      <Select aria-label="Later version" bind:value={to}>
        <option value={DRAFT}>the draft</option>
        {#each releases as number (number)}<option value={String(number)}>release {number}</option>{/each}
      </Select></span
    >
  </div>
  <Outcome {asking} />
  {#if !difference}
    {#if asking.busy}<Busy class="mt-2">Being looked through for all possible answers …</Busy>{/if}
  {:else if isNothing}
    <p class="mt-2" role="status">Nothing: for all answers that both accept, they do the same.</p>
  {:else}
    {#if changed.length}
      <Table framed={false} class="mt-3 w-full" label="What stands otherwise">
        {#snippet heads()}
          <TableHead>Item</TableHead>
          <TableHead>Was</TableHead>
          <TableHead>Is</TableHead>
          <TableHead>For example for</TableHead>
        {/snippet}
        {#snippet body()}
          {#each changed as { key, name, what, answers, before, after }, i (i)}
            <tr class="border-t align-baseline">
              <td class="px-3 py-1"
                >{#if key}<a class="link" href={`/templates/${template}#${key}`} {@attach inside}>{name}</a
                  >{:else}{name}{/if}{#if !SAID_BY_BOTH.has(what)}<span class="soft">, {what}</span>{/if}</td
              >
              <td class="px-3 py-1">{before}</td>
              <td class="px-3 py-1 font-semibold">{after}</td>
              <td class="soft px-3 py-1">{answers}</td>
            </tr>
          {/each}
        {/snippet}
      </Table>
    {:else}
      <p class="mt-2">What is shown, required and worked out is the same for all answers that both accept.</p>
    {/if}
    {#if rewritten.length}
      <h3 class="mt-4 font-semibold">Written otherwise</h3>
      <ul class="mt-1 grid gap-1">
        {#each rewritten as { name, what, before, after }, i (i)}
          <li class="min-w-0 break-words">
            <b>{name}</b>, {what}{#if before || after}:
              <span class="soft">{before || "nothing"}</span> <span aria-label="is now">→</span>
              {after || "nothing"}{/if}
          </li>
        {/each}
      </ul>
    {/if}
    {#if count > changed.length + rewritten.length}
      <p class="mt-2"><Button look="link" onclick={() => (all = true)}>Show all {count}</Button></p>
    {/if}
    {#each [{ title: "Added", of: difference.added }, { title: "Taken away", of: difference.removed }] as { title, of } (title)}
      {#if of.length}
        <p class="mt-3"><b>{title}:</b> {of.map(({ name }) => name).join(", ")}</p>
      {/if}
    {/each}
    {#if difference.open.length}
      <p class="soft mt-3">
        It cannot be said whether these do the same:
        {difference.open.map(({ name, what }) => `${name} (${what})`).join(", ")}. Out of reach:
        {[...new Set(difference.open.flatMap(({ because }) => because))].join("; ")}.
      </p>
    {/if}
  {/if}
</section>
