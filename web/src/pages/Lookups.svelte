<script lang="ts">
  import Table from "../ui/Table.svelte";
  import FileButton from "../ui/FileButton.svelte";
  import { Asking } from "../api/asking.svelte";
  import Outcome from "../ui/Outcome.svelte";
  import Button from "../ui/Button.svelte";
  import Input from "../ui/Input.svelte";
  import Select from "../ui/Select.svelte";
  import { request } from "../api/http";
  import type { LookupPage, Lookups } from "../api/types";
  import { pasted } from "../draft/tables";
  import { inside } from "../router.svelte";
  import { dayAndTime } from "../times";
  import TopBar from "./TopBar.svelte";

  const BASE = "/api/lookups";
  const MOST_SHOWN = 300;
  let all = $state<Lookups | null>(null);
  let page = $state<LookupPage | null>(null);
  let name = $state("");
  /** The titles of the columns and the rows below them, as they are being edited. */
  let lines = $state<string[][]>([]);
  const asking = new Asking();
  let filter = $state("");
  const linesOf = ({ list }: LookupPage) => [
    list.columns.map(({ title }) => title),
    ...list.rows.map((row) => [...row]),
  ];
  /** What was changed in the last version and not kept yet stays in this browser, whatever is opened or closed meanwhile. */
  const unkept = (now: LookupPage) => `lookup ${now.id} ${now.version}`;
  const isLast = $derived(!!page && page.version === page.versions[0]?.version);
  const isChanged = $derived(
    !!page && (name !== page.list.name || JSON.stringify(lines) !== JSON.stringify(linesOf(page))),
  );
  /** Whether a column holds numbers and nothing else, which stand under each other by their ends. */
  const ofNumbers = $derived(
    (lines[0] ?? []).map((_, column) => {
      const cells = lines.slice(1).map((cells) => (cells[column] ?? "").trim());
      return cells.some(Boolean) && cells.every((cell) => !cell || /^[-+−]?[\d.,\s]+$/.test(cell));
    }),
  );
  const shown = $derived(
    lines
      .map((cells, at) => ({ cells, at }))
      .slice(1)
      .filter(({ cells }) => cells.some((cell) => cell.toLowerCase().includes(filter.trim().toLowerCase()))),
  );

  void load();

  async function load() {
    await asking.run(async () => {
      all = await request<Lookups>("GET", BASE);
      const first = all.lookups[0];
      const opened = first && (await request<LookupPage>("GET", `${BASE}/${first.id}`));
      if (opened && !page) show(opened);
    });
  }

  function show(now: LookupPage) {
    page = now;
    const before = isLast ? localStorage.getItem(unkept(now)) : null;
    ({ name, lines } = before ? JSON.parse(before) : { name: now.list.name, lines: linesOf(now) });
    filter = "";
  }

  $effect(() => {
    if (!page || !isLast) return;
    if (isChanged) localStorage.setItem(unkept(page), JSON.stringify({ name, lines }));
    else localStorage.removeItem(unkept(page));
  });

  function drop() {
    localStorage.removeItem(unkept(page!));
    show(page!);
  }

  /** Cells from a spreadsheet are put where they are pasted and below and right of it, with rows added as needed. */
  function paste(event: ClipboardEvent, at: number, column: number) {
    const text = event.clipboardData?.getData("text/plain") ?? "";
    if (!/[\t\n]/.test(text.trimEnd())) return;
    event.preventDefault();
    const table = pasted(text);
    const width = lines[0]!.length;
    const tooWide = table.some((cells) => cells.length > width - column);
    if (tooWide) {
      asking.refuse("What was copied has more columns than the list has from here on; add a column first.");
      return;
    }
    asking.trouble = null;
    while (lines.length < at + table.length) lines.push(lines[0]!.map(() => ""));
    table.forEach((cells, i) => cells.forEach((cell, j) => (lines[at + i]![column + j] = cell)));
  }

  const open = (id: string, version?: number) =>
    asking.run(async () =>
      show(await request("GET", `${BASE}/${id}${version ? `?version=${version}` : ""}`)),
    );

  const take = (found: () => Promise<LookupPage>, done: string) =>
    asking.run(async () => {
      show(await found());
      all = await request<Lookups>("GET", BASE);
    }, done);

  const keep = () =>
    take(async () => {
      const before = page!;
      const { id, version } = before;
      const kept = await request<LookupPage>("PUT", `${BASE}/${id}`, {
        version,
        name,
        table: "",
        lines: $state.snapshot(lines),
      });
      localStorage.removeItem(unkept(before));
      return kept;
    }, "Kept as a new version. Templates take it over when their authors say so.");

  async function read(file: File, next: boolean) {
    const table = await file.text();
    if (next && page) {
      const { id, version, list } = page;
      await take(
        () => request("PUT", `${BASE}/${id}`, { version, name: list.name, table, lines: [] }),
        "Kept as a new version.",
      );
    } else {
      await take(() => request("POST", BASE, { name: file.name.replace(/\.[^.]*$/, ""), table }), "Kept.");
    }
  }

  const ask = (key: string) =>
    take(() => request("POST", `${BASE}/registers`, { key }), "As the directory has it now.");

  function askEntry(event: SubmitEvent, register: string) {
    event.preventDefault();
    const form = event.currentTarget as HTMLFormElement;
    const key = String(new FormData(form).get("key"));
    return take(async () => {
      const kept = await request<LookupPage>("POST", `${BASE}/registers/${register}/entries`, { key });
      form.reset();
      return kept;
    }, `${key}, as the directory has it now.`);
  }
</script>

<svelte:head><title>Lookups · Loesscape</title></svelte:head>

<TopBar title="Lookups" />
<main class="grid grid-cols-[minmax(0,1fr)] gap-6 px-4 py-5 sm:px-6 md:grid-cols-[260px_minmax(0,1fr)]">
  <nav aria-label="Lookup lists">
    <ul>
      {#each all?.lookups ?? [] as row (row.id)}
        <li>
          <Button
            look="bare"
            class={["w-full rounded-md px-3 py-1.5 text-left", page?.id === row.id && "bg-ochre-tint"]}
            aria-current={page?.id === row.id || undefined}
            onclick={() => open(row.id)}
            ><b class="block truncate">{row.name}</b><span class="soft text-note"
              >version {row.version}, {dayAndTime(row.made)}</span
            ></Button
          >
        </li>
      {:else}
        <li class="soft px-3">No list yet</li>
      {/each}
    </ul>
    <FileButton class="mt-4" accept=".csv,text/csv" onfile={(file) => read(file, false)}
      >A list from a CSV file</FileButton
    >
    {#each all?.registers ?? [] as register (register.key)}
      <div class="mt-4">
        <Button onclick={() => ask(register.key)}>Ask the directory: {register.name}</Button>
        <form class="mt-1.5 flex gap-1.5" onsubmit={(event) => askEntry(event, register.key)}>
          <Input
            class="min-w-0 grow"
            name="key"
            autocomplete="off"
            maxlength={200}
            required
            placeholder={`or one, by its ${register.by}`}
            aria-label={`${register.by} of one of the ${register.name}`}
          />
          <Button type="submit">Ask<span class="sr-only"> for one of the {register.name}</span></Button>
        </form>
      </div>
    {/each}
  </nav>
  <section aria-label="List">
    <Outcome {asking} class="mb-2" />
    {#if page}
      <div class="mb-3 flex flex-wrap items-center gap-3">
        <Input
          width="13rem"
          class="font-semibold"
          aria-label="Name of the list"
          disabled={!isLast}
          bind:value={name}
        />
        <Select
          class="max-w-52"
          aria-label="Version"
          value={page.version}
          onchange={(event) => open(page!.id, Number(event.currentTarget.value))}
        >
          {#each page.versions as it (it.version)}
            <option value={it.version}>version {it.version}, {dayAndTime(it.made)}, {it.by}</option>
          {/each}
        </Select>
        <Input
          width="7rem"
          type="search"
          placeholder="Filter"
          aria-label="Filter the rows"
          bind:value={filter}
        />
        <span class="soft">{lines.length - 1} rows</span>
        {#if isLast}
          <FileButton class="ml-auto" accept=".csv,text/csv" onfile={(file) => read(file, true)}
            >Replace from a CSV file</FileButton
          >
          {#if isChanged}<Button onclick={drop}>Drop the changes</Button>{/if}
          <Button look="primary" disabled={!isChanged} onclick={keep}
            >Keep as version {page.version + 1}</Button
          >
        {/if}
      </div>
      <Table
        >{#snippet heads()}
          {#each lines[0] ?? [] as _, column (column)}
            <th class="p-1"
              ><span class="flex items-center"
                ><Input
                  look="cell"
                  class={["font-semibold", ofNumbers[column] && "text-right"]}
                  aria-label={`Title of column ${column + 1}`}
                  disabled={!isLast}
                  onpaste={(event) => paste(event, 0, column)}
                  bind:value={lines[0]![column]}
                />{#if isLast && lines[0]!.length > 1}<Button
                    look="bare"
                    class="soft size-6 shrink-0"
                    aria-label={`Take the column ${lines[0]![column] || column + 1} away`}
                    onclick={() => (lines = lines.map((cells) => cells.toSpliced(column, 1)))}>×</Button
                  >{/if}</span
              ></th
            >
          {/each}
          <th
            >{#if isLast}<Button
                look="bare"
                class="soft px-2"
                onclick={() => (lines = lines.map((cells) => [...cells, ""]))}>Add a column</Button
              >{:else}<span class="sr-only">Actions</span>{/if}</th
          >
        {/snippet}{#snippet body()}
          {#each shown.slice(0, MOST_SHOWN) as { at } (at)}
            <tr class="border-b last:border-0">
              {#each lines[0] ?? [] as title, column (column)}
                <td class="p-1"
                  ><Input
                    look="cell"
                    class={[ofNumbers[column] && "text-right tabular-nums"]}
                    aria-label={`${title}, row ${at}`}
                    disabled={!isLast}
                    onpaste={(event) => paste(event, at, column)}
                    bind:value={lines[at]![column]}
                  /></td
                >
              {/each}
              <td class="px-2"
                >{#if isLast}<Button
                    look="bare"
                    class="soft size-6"
                    aria-label={`Take row ${at} away`}
                    onclick={() => (lines = lines.filter((_, i) => i !== at))}>×</Button
                  >{/if}</td
              >
            </tr>
          {/each}
        {/snippet}</Table
      >
      <p class="soft mt-3">
        {#if page.uses.length}
          Taken into
          {#each page.uses as use, i (use.template)}
            {i ? ", " : ""}<a class="link" href={`/templates/${use.template}`} {@attach inside}>{use.title}</a
            >
            in version {use.version}{/each}
        {:else}
          No template has taken it yet; that is done there, under “The document as a whole”.
        {/if}
      </p>
      {#if shown.length > MOST_SHOWN}<p class="soft mt-2">
          The first {MOST_SHOWN} of {shown.length} rows; filter to see others.
        </p>{/if}
      {#if isLast}
        <Button class="mt-3" onclick={() => (lines = [...lines, (lines[0] ?? []).map(() => "")])}
          >Add a row</Button
        >
      {/if}
    {:else if all}
      <p class="rounded-xl border bg-paper px-8 py-10 text-center">
        A lookup list is a table whose rows can be chosen from in any template. Begin with a CSV file, or ask
        the directory.
      </p>
    {/if}
  </section>
</main>
