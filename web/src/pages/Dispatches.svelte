<script lang="ts">
  import TableHead from "../ui/TableHead.svelte";
  import Table from "../ui/Table.svelte";
  import Button from "../ui/Button.svelte";
  import Input from "../ui/Input.svelte";
  import Select from "../ui/Select.svelte";
  import { request } from "../api/http";
  import type { DispatchList, DispatchStanding } from "../api/types";
  import { inside, router } from "../router.svelte";
  import { day, dayAndTime } from "../times";
  import { STANDINGS, whose } from "./standings";
  import Pagination from "../ui/Pagination.svelte";
  import TopBar from "./TopBar.svelte";
  import NotOpened from "../document/NotOpened.svelte";

  const PAGE = 100;
  const PAUSE = 200;

  let typed = $state("");
  let sought = $state("");
  let standing = $state<DispatchStanding | "any">("any");
  let older = $state(0);
  let waits = $state("");
  let page = $state(0);
  let list = $state<DispatchList | null>(null);
  let trouble = $state<unknown>(null);
  let latest = 0;
  let pause: ReturnType<typeof setTimeout> | undefined;

  $effect(() => {
    const query = new URLSearchParams({
      sought,
      stage: standing.toUpperCase(),
      waitsFor: waits,
      idleDays: String(older),
      page: String(page),
      size: String(PAGE),
    });
    void load(`/api/dispatches?${query}`);
  });

  async function load(path: string) {
    const turn = ++latest;
    try {
      const loaded = await request<DispatchList>("GET", path);
      if (turn === latest) list = loaded;
    } catch (problem) {
      trouble = problem;
    }
  }

  /** What is typed is sought once its writer pauses. */
  function seek() {
    clearTimeout(pause);
    pause = setTimeout(() => {
      sought = typed;
      page = 0;
    }, PAUSE);
  }

  const AGES = [
    { days: 0, label: "of any age" },
    { days: 7, label: "unchanged for a week" },
    { days: 30, label: "unchanged for a month" },
  ];
</script>

<svelte:head><title>Dispatches · Loesscape</title></svelte:head>

<TopBar title="Dispatches" />
<main class="px-6 py-5">
  {#if trouble}
    <NotOpened problem={trouble} />
  {:else if list}
    {@const all = list}
    {@const rows = all.dispatches}
    <div class="mb-4 flex flex-wrap items-center gap-3">
      <Input
        height="tall"
        width="18rem"
        type="search"
        placeholder="Document, name or address"
        aria-label="Filter dispatches"
        bind:value={typed}
        oninput={seek}
      />
      <Select height="tall" aria-label="State" bind:value={standing} onchange={() => (page = 0)}>
        <option value="any">in any state</option>
        {#each Object.entries(STANDINGS) as [id, { words }] (id)}<option value={id}
            >{words.toLowerCase()}</option
          >{/each}
      </Select>
      <Select
        height="tall"
        class="max-w-56"
        aria-label="Whose turn"
        bind:value={waits}
        onchange={() => (page = 0)}
      >
        <option value="">waiting for anybody</option>
        {#each all.waitedFor as who (who)}
          <option value={who}>{who}</option>
        {/each}
      </Select>
      <Select height="tall" aria-label="Age" bind:value={older} onchange={() => (page = 0)}>
        {#each AGES as { days, label } (days)}<option value={days}>{label}</option>{/each}
      </Select>
      <span class="soft" role="status"
        >{all.found === all.all ? `${all.all} dispatches` : `${all.found} of ${all.all} dispatches`}</span
      >
      <Button class="ml-auto" href="/verify" target="_blank" rel="noopener">Check a signed document</Button>
    </div>
    {#if !all.all}
      <div class="mx-auto mt-10 max-w-xl rounded-xl border bg-paper px-8 py-12 text-center">
        <h2 class="text-base font-semibold">Nothing was sent yet</h2>
        <p class="soft mt-1">Release a template with roles, then send it from its “Send” view.</p>
      </div>
    {:else}
      <Table
        >{#snippet heads()}
          <TableHead outer>Document</TableHead>
          <TableHead>State</TableHead>
          <TableHead>Waits for</TableHead>
          <TableHead>People</TableHead>
          <TableHead>Due</TableHead>
          <TableHead outer>Last change</TableHead>
        {/snippet}{#snippet body()}
          {#each rows as row (row.id)}
            <tr
              class="cursor-pointer border-b align-top last:border-0 hover:bg-straw"
              onclick={() => router.go(`/dispatches/${row.id}`)}
            >
              <td class="max-w-96 px-5 py-2.5 [overflow-wrap:anywhere]"
                ><a
                  class="link"
                  href={`/dispatches/${row.id}`}
                  {@attach inside}
                  onclick={(event) => event.stopPropagation()}>{row.title}</a
                ></td
              >
              <td class="px-3 py-2.5 whitespace-nowrap"
                ><span class={["state", `shade-${STANDINGS[row.standing].shade}`]}
                  >{STANDINGS[row.standing].words}</span
                ></td
              >
              <td class="max-w-64 px-3 py-2.5 [overflow-wrap:anywhere]">{whose(row)}</td>
              <td class="soft max-w-56 truncate px-3 py-2.5"
                >{row.parties.map(({ name }) => name).join(", ")}</td
              >
              <td class="px-3 py-2.5 whitespace-nowrap">{row.due ? day(row.due) : ""}</td>
              <td class="px-5 py-2.5 whitespace-nowrap">{dayAndTime(row.changed)}</td>
            </tr>
          {:else}
            <tr><td colspan="6" class="soft px-5 py-8 text-center">No dispatch is like that.</td></tr>
          {/each}
        {/snippet}</Table
      >
      <Pagination {page} size={PAGE} found={all.found} what="dispatches" ongo={(to) => (page = to)} />
    {/if}
  {/if}
</main>

<style>
  .state {
    display: inline-block;
    border: 1px solid;
    border-radius: var(--radius-md);
    padding: 0 8px;
    font-size: var(--text-note);
    font-weight: 600;
  }
</style>
