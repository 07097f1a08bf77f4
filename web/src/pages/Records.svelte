<script lang="ts">
  import TableHead from "../ui/TableHead.svelte";
  import Table from "../ui/Table.svelte";
  import { Asking } from "../api/asking.svelte";
  import Outcome from "../ui/Outcome.svelte";
  import Button from "../ui/Button.svelte";
  import Checkbox from "../ui/Checkbox.svelte";
  import Input from "../ui/Input.svelte";
  import { request } from "../api/http";
  import type { RecordTable } from "../api/types";
  import { inside, router } from "../router.svelte";
  import { session } from "../session.svelte";
  import { dayAndTime } from "../times";
  import Pagination from "../ui/Pagination.svelte";
  import ReturnedForms from "./ReturnedForms.svelte";
  import TopBar from "./TopBar.svelte";

  let { template }: { template: string } = $props();

  const COLUMNS_AT_FIRST = 6;
  const PAGE = 100;
  const remembered = $derived(`columns ${template}`);

  let table = $state<RecordTable | null>(null);
  let sort = $state("number");
  let descending = $state(true);
  let filter = $state("");
  let page = $state(0);
  let hidden = $state<string[] | null>(null);
  let choosing = $state(false);
  const asking = new Asking();
  let latest = 0;

  const query = $derived(
    new URLSearchParams({
      sort,
      descending: String(descending),
      filter,
      page: String(page),
      size: String(PAGE),
    }),
  );
  const path = $derived(`/api/templates/${template}/records?${query}`);

  $effect(() => void load(path));

  async function load(path: string) {
    const turn = ++latest;
    await asking.run(async () => {
      const loaded = await request<RecordTable>("GET", path);
      if (turn !== latest) return;
      table = loaded;
      hidden ??=
        JSON.parse(localStorage.getItem(remembered) ?? "null") ??
        loaded.columns.slice(COLUMNS_AT_FIRST).map(({ key }) => key);
    });
  }

  const columns = $derived(table?.columns.filter(({ key }) => !hidden?.includes(key)) ?? []);

  function toggle(key: string) {
    hidden = hidden?.includes(key) ? hidden.filter((other) => other !== key) : [...(hidden ?? []), key];
    localStorage.setItem(remembered, JSON.stringify(hidden));
  }

  function order(key: string) {
    descending = sort === key ? !descending : key === "number" || key === "finished";
    sort = key;
    page = 0;
  }

  const direction = (key: string) => (sort === key ? (descending ? "descending" : "ascending") : "none");
</script>

<svelte:head><title>Records · {table?.title ?? ""} · Loesscape</title></svelte:head>

{#snippet heading(key: string, name: string, numeric: boolean, title: string)}
  <TableHead {numeric} {title} sorted={direction(key)} onsort={() => order(key)}>{name}</TableHead>
{/snippet}

<TopBar title={table?.title} {template} view="Records" />
<main class="px-6 py-5">
  <Outcome {asking} />
  {#if table && table.total === 0}
    <div class="mx-auto mt-10 max-w-xl rounded-xl border bg-paper px-8 py-12 text-center">
      <h2 class="text-base font-semibold">Nothing has come in yet</h2>
      <p class="soft mt-1">Records appear here as soon as somebody finishes the document through a link.</p>
      <Button look="primary" class="mt-4" href={`/templates/${template}/release`} {@attach inside}
        >Release and get a link</Button
      >
    </div>
  {/if}
  {#if table && session.value?.role === "author"}
    <div class={["mb-3", table.total === 0 && "mx-auto mt-6 max-w-xl"]}>
      <ReturnedForms {template} ontaken={() => load(path)} />
    </div>
  {/if}
  {#if table && table.total > 0}
    <div class="mb-4 flex flex-wrap items-center gap-3">
      <Input
        height="tall"
        width="18rem"
        type="search"
        placeholder="Filter by any text"
        aria-label="Filter records"
        bind:value={filter}
        oninput={() => (page = 0)}
      />
      <span class="soft" role="status"
        >{table.found === table.total
          ? `${table.total} records`
          : `${table.found} of ${table.total} records`}</span
      >
      <div class="ml-auto flex items-center gap-2">
        <Button aria-expanded={choosing} onclick={() => (choosing = !choosing)}
          >Columns: {columns.length} of {table.columns.length}</Button
        >
        <Button href={`/api/templates/${template}/records.csv`} download>Export CSV</Button>
        <Button href={`/api/templates/${template}/records.json`} download>Export JSON</Button>
      </div>
    </div>
    {#if choosing}
      <fieldset
        class="mb-4 grid grid-cols-[repeat(auto-fill,minmax(220px,1fr))] gap-x-6 gap-y-1 rounded-xl border bg-paper px-5 py-4"
      >
        <legend class="px-1 font-semibold">Columns</legend>
        {#each table.columns as column (column.key)}
          <label class="flex items-baseline gap-2"
            ><Checkbox checked={!hidden?.includes(column.key)} onchange={() => toggle(column.key)} />
            {column.name}</label
          >
        {/each}
      </fieldset>
    {/if}
    <Table
      >{#snippet heads()}
        {@render heading("number", "Record", true, "Record")}
        {@render heading("finished", "Finished", false, "Finished")}
        {#each columns as column (column.key)}
          {@render heading(column.key, column.name, column.numeric, column.label)}
        {/each}
        {@render heading("release", "Release", true, "Release")}
      {/snippet}{#snippet body()}
        {#each table?.rows ?? [] as row (row.number)}
          <tr
            class="cursor-pointer border-b last:border-0 hover:bg-straw"
            onclick={() => router.go(`/templates/${template}/records/${row.number}`)}
          >
            <td class="px-3 py-2 text-right tabular-nums"
              ><a
                class="link"
                href={`/templates/${template}/records/${row.number}`}
                {@attach inside}
                onclick={(event) => event.stopPropagation()}>{row.number}</a
              ></td
            >
            <td class="px-3 py-2 whitespace-nowrap">{dayAndTime(row.finished)}</td>
            {#each columns as column (column.key)}
              <td
                class={["max-w-64 truncate px-3 py-2", column.numeric && "text-right tabular-nums"]}
                title={row.cells[column.key]}>{row.cells[column.key] ?? ""}</td
              >
            {/each}
            <td class="px-3 py-2 text-right tabular-nums">{row.release}</td>
          </tr>
        {:else}
          <tr
            ><td colspan={columns.length + 3} class="soft px-5 py-8 text-center"
              >No record says “{filter}”.</td
            ></tr
          >
        {/each}
      {/snippet}</Table
    >
    <Pagination {page} size={PAGE} found={table.found} what="records" ongo={(to) => (page = to)} />
  {/if}
</main>
