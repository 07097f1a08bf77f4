<script lang="ts">
  import Alert from "../../ui/Alert.svelte";
  import Button from "../../ui/Button.svelte";
  import Input from "../../ui/Input.svelte";
  import TextArea from "../../ui/TextArea.svelte";
  import { request } from "../../api/http";
  import type { LookupList, LookupRow, Lookups } from "../../api/types";
  import { pasted, tableText } from "../tables";
  import { workingCopy } from "../context";
  import EditorLine from "./EditorLine.svelte";

  const copy = workingCopy();
  const lists = $derived(copy.settings?.lists ?? []);
  /** The list that is written on: its key, empty for a new one. */
  let editing = $state<string | null>(null);
  let name = $state("");
  let text = $state("");
  let wrong = $state("");

  /** The lists of the organisation. */
  let library = $state<LookupRow[]>([]);
  void request<Lookups>("GET", "/api/lookups").then(
    (told) => (library = told.lookups),
    (problem: Error) => (wrong = problem.message),
  );

  const take = (lookup: string) => copy.takeLookup(lookup);

  async function open(key: string) {
    wrong = "";
    if (!key) {
      editing = "";
      name = "";
      text = "";
      return;
    }
    const list = await request<LookupList>("GET", `/api/templates/${copy.template}/draft/lists/${key}`);
    name = list.name;
    text = tableText([list.columns.map(({ title }) => title), ...list.rows.map((row) => [...row])]);
    editing = key;
  }

  /** A field for each column, behind what was selected last, or at the end. */
  async function addFields(list: string) {
    const sections = copy.inside("").flatMap((page) => copy.inside(page));
    const holder = sections.at(-1);
    if (!holder) return;
    const after = copy.inside(holder).at(-1) ?? null;
    const added = await copy.edit({ type: "addLookups", list, holder, after });
    if (added?.[0]) await copy.select(added[0], true);
  }

  async function keep(withFields: boolean) {
    const before = new Set(lists.map(({ key }) => key));
    if (await copy.edit({ type: "putTable", key: editing ?? "", name, table: pasted(text) })) {
      editing = null;
      const added = lists.find(({ key }) => !before.has(key));
      if (withFields && added) await addFields(added.key);
    } else wrong = copy.refused?.message ?? copy.told;
  }
</script>

<EditorLine title="Lookup lists" wide>
  {#each lists as list (list.key)}
    <div class="mb-1 flex items-center gap-1">
      <b class="min-w-0 truncate">{list.name}</b>
      <span class="soft whitespace-nowrap">{list.rows} rows, {list.columns.length} columns</span>
      {#if list.source}
        {@const last = library.find(({ id }) => id === list.source?.list)}
        <span class="soft ml-auto whitespace-nowrap">from Lookups, version {list.source.version}</span>
        {#if last && last.version > list.source.version}
          <Button look="token" onclick={() => take(last.id)}>take over version {last.version}</Button>
        {/if}
      {:else}
        <Button look="token" class="ml-auto" onclick={() => open(list.key)}>edit</Button>
      {/if}
      <Button
        look="token faint"
        aria-label={`Take ${list.name} away`}
        onclick={() => copy.edit({ type: "removeList", key: list.key })}>×</Button
      >
    </div>
  {/each}
  {#if editing !== null}
    <Input
      look="token value"
      width="100%"
      class="mb-1"
      aria-label="Name of the list"
      placeholder="name of the list"
      bind:value={name}
    />
    <TextArea
      look="token value"
      class="key block w-full whitespace-pre"
      rows={8}
      aria-label="Rows of the list, columns parted by tabs"
      placeholder={"Paste from a spreadsheet.\nThe first line holds the titles of the columns."}
      spellcheck="false"
      bind:value={text}
    />
    {#if wrong}<Alert class="text-xs">{wrong}</Alert>{/if}
    <div class="mt-1 flex gap-1">
      <Button look="token" onclick={() => keep(false)}>Keep the list</Button>
      {#if !editing}
        <Button look="token" onclick={() => keep(true)}>Keep it and add a field for each column</Button>
      {/if}
      <Button look="token" onclick={() => (editing = null)}>Leave it</Button>
    </div>
  {:else}
    <Button look="token add" onclick={() => open("")}>a new list</Button>
    {#each library.filter(({ id }) => !lists.some(({ source }) => source?.list === id)) as it (it.id)}
      <Button look="token add" onclick={() => take(it.id)}>“{it.name}” from Lookups</Button>
    {/each}
  {/if}
</EditorLine>
