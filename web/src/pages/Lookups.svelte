<script lang="ts">
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
  let wrong = $state("");
  let told = $state("");
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
    await attempt(async () => {
      all = await request<Lookups>("GET", BASE);
      const first = all.lookups[0];
      const opened = first && (await request<LookupPage>("GET", `${BASE}/${first.id}`));
      if (opened && !page) show(opened);
    }, "");
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
      wrong = "What was copied has more columns than the list has from here on; add a column first.";
      return;
    }
    wrong = "";
    while (lines.length < at + table.length) lines.push(lines[0]!.map(() => ""));
    table.forEach((cells, i) => cells.forEach((cell, j) => (lines[at + i]![column + j] = cell)));
  }

  async function attempt(work: () => Promise<void>, done: string) {
    wrong = told = "";
    try {
      await work();
      told = done;
    } catch (problem) {
      wrong = problem instanceof Error ? problem.message : String(problem);
    }
  }

  const open = (id: string, version?: number) =>
    attempt(
      async () => show(await request("GET", `${BASE}/${id}${version ? `?version=${version}` : ""}`)),
      "",
    );

  const take = (asking: () => Promise<LookupPage>, done: string) =>
    attempt(async () => {
      show(await asking());
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

  async function read(input: HTMLInputElement, next: boolean) {
    const file = input.files?.[0];
    if (!file) return;
    const table = await file.text();
    input.value = "";
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
          <button
            class={["w-full rounded-md px-3 py-1.5 text-left", page?.id === row.id && "bg-ochre-tint"]}
            aria-current={page?.id === row.id || undefined}
            onclick={() => open(row.id)}
            ><b class="block truncate">{row.name}</b><span class="soft text-[12px]"
              >version {row.version}, {dayAndTime(row.made)}</span
            ></button
          >
        </li>
      {:else}
        <li class="soft px-3">No list yet</li>
      {/each}
    </ul>
    <label class="button mt-4"
      >A list from a CSV file<input
        type="file"
        class="sr-only"
        accept=".csv,text/csv"
        onchange={(event) => read(event.currentTarget, false)}
      /></label
    >
    {#each all?.registers ?? [] as register (register.key)}
      <div class="mt-4">
        <button class="button" onclick={() => ask(register.key)}>Ask the directory: {register.name}</button>
        <form class="mt-1.5 flex gap-1.5" onsubmit={(event) => askEntry(event, register.key)}>
          <input
            class="text-input min-w-0 grow py-[4px]"
            name="key"
            autocomplete="off"
            maxlength="200"
            required
            placeholder={`or one, by its ${register.by}`}
            aria-label={`${register.by} of one of the ${register.name}`}
          />
          <button class="button">Ask<span class="sr-only"> for one of the {register.name}</span></button>
        </form>
      </div>
    {/each}
  </nav>
  <section aria-label="List">
    {#if wrong}<p class="trouble mb-2" role="alert">{wrong}</p>{/if}
    {#if told}<p class="mb-2" role="status">{told}</p>{/if}
    {#if page}
      <div class="mb-3 flex flex-wrap items-center gap-3">
        <input
          class="text-input w-52 font-semibold"
          aria-label="Name of the list"
          disabled={!isLast}
          bind:value={name}
        />
        <select
          class="text-input max-w-52"
          aria-label="Version"
          value={page.version}
          onchange={(event) => open(page!.id, Number(event.currentTarget.value))}
        >
          {#each page.versions as it (it.version)}
            <option value={it.version}>version {it.version}, {dayAndTime(it.made)}, {it.by}</option>
          {/each}
        </select>
        <input
          class="text-input w-28"
          type="search"
          placeholder="Filter"
          aria-label="Filter the rows"
          bind:value={filter}
        />
        <span class="soft">{lines.length - 1} rows</span>
        {#if isLast}
          <label class="button ml-auto"
            >Replace from a CSV file<input
              type="file"
              class="sr-only"
              accept=".csv,text/csv"
              onchange={(event) => read(event.currentTarget, true)}
            /></label
          >
          {#if isChanged}<button class="button" onclick={drop}>Drop the changes</button>{/if}
          <button class="button primary" disabled={!isChanged} onclick={keep}
            >Keep as version {page.version + 1}</button
          >
        {/if}
      </div>
      <div class="overflow-x-auto rounded-xl border bg-paper">
        <table class="w-full">
          <thead>
            <tr class="border-b">
              {#each lines[0] ?? [] as _, column (column)}
                <th class="p-1"
                  ><span class="flex items-center"
                    ><input
                      class={["cell font-semibold", ofNumbers[column] && "text-right"]}
                      aria-label={`Title of column ${column + 1}`}
                      disabled={!isLast}
                      onpaste={(event) => paste(event, 0, column)}
                      bind:value={lines[0]![column]}
                    />{#if isLast && lines[0]!.length > 1}<button
                        class="soft size-6 shrink-0"
                        aria-label={`Take the column ${lines[0]![column] || column + 1} away`}
                        onclick={() => (lines = lines.map((cells) => cells.toSpliced(column, 1)))}>×</button
                      >{/if}</span
                  ></th
                >
              {/each}
              <th
                >{#if isLast}<button
                    class="soft px-2 whitespace-nowrap"
                    onclick={() => (lines = lines.map((cells) => [...cells, ""]))}>Add a column</button
                  >{:else}<span class="sr-only">Actions</span>{/if}</th
              >
            </tr>
          </thead>
          <tbody>
            {#each shown.slice(0, MOST_SHOWN) as { at } (at)}
              <tr class="border-b last:border-0">
                {#each lines[0] ?? [] as title, column (column)}
                  <td class="p-1"
                    ><input
                      class={["cell", ofNumbers[column] && "text-right tabular-nums"]}
                      aria-label={`${title}, row ${at}`}
                      disabled={!isLast}
                      onpaste={(event) => paste(event, at, column)}
                      bind:value={lines[at]![column]}
                    /></td
                  >
                {/each}
                <td class="px-2"
                  >{#if isLast}<button
                      class="soft size-6"
                      aria-label={`Take row ${at} away`}
                      onclick={() => (lines = lines.filter((_, i) => i !== at))}>×</button
                    >{/if}</td
                >
              </tr>
            {/each}
          </tbody>
        </table>
      </div>
      <p class="soft mt-3">
        {#if page.uses.length}
          Taken into
          {#each page.uses as use, i (use.template)}
            {i ? ", " : ""}<a class="link" href={`/templates/${use.template}`} use:inside>{use.title}</a>
            in version {use.version}{/each}
        {:else}
          No template has taken it yet; that is done there, under “The document as a whole”.
        {/if}
      </p>
      {#if shown.length > MOST_SHOWN}<p class="soft mt-2">
          The first {MOST_SHOWN} of {shown.length} rows; filter to see others.
        </p>{/if}
      {#if isLast}
        <button class="button mt-3" onclick={() => (lines = [...lines, (lines[0] ?? []).map(() => "")])}
          >Add a row</button
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

<style>
  .cell {
    width: 100%;
    min-width: 90px;
    border: 1px solid transparent;
    border-radius: var(--radius-md);
    background: transparent;
    padding: 3px 8px;
  }

  .cell:hover:not(:disabled),
  .cell:focus {
    border-color: var(--color-edge);
  }
</style>
