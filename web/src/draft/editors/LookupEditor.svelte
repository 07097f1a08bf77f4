<script lang="ts">
  import type { Field, FieldKind } from "../../api/types";
  import { workingCopy } from "../context";
  import EditorLine from "./EditorLine.svelte";
  import Picker from "../../ui/Picker.svelte";

  let { field, kind }: { field: Field; kind: Extract<FieldKind, { type: "lookup" }> } = $props();

  const copy = workingCopy();
  const lists = $derived(copy.settings?.lists ?? []);
  const list = $derived(lists.find(({ key }) => key === kind.list));
  const columns = $derived((list?.columns ?? []).map(({ key, title }) => ({ id: key, label: title })));
  const parents = $derived([
    { id: "", label: "not filtered" },
    ...[...copy.nodes.values()].flatMap(({ node, name }) =>
      node.type === "field" &&
      node.key !== field.key &&
      ["lookup", "oneChoice", "text", "yesNo"].includes(node.kind.type) &&
      [null, copy.around(field.key)].includes(copy.around(node.key))
        ? [{ id: node.key, label: name }]
        : [],
    ),
  ]);
  const set = (part: Partial<typeof kind>) =>
    copy.editNode(field.key, "field", (now) => ({
      type: "setKind",
      key: now.key,
      kind: { ...now.kind, ...part } as FieldKind,
    }));

  function filter(column: string, parent: string) {
    const filters = Object.fromEntries(Object.entries(kind.filters).filter(([key]) => key !== column));
    void set({ filters: parent ? { ...filters, [column]: parent } : filters });
  }
</script>

<EditorLine title="Offers">
  <Picker
    label="Column"
    text={columns.find(({ id }) => id === kind.column)?.label ?? kind.column}
    options={columns}
    chosen={[kind.column]}
    onpick={(column) => set({ column })}
  />
  of
  <Picker
    label="List"
    text={list?.name ?? kind.list}
    options={lists.map(({ key, name }) => ({ id: key, label: name }))}
    chosen={[kind.list]}
    onpick={(key) => {
      const other = lists.find((it) => it.key === key);
      if (other && key !== kind.list)
        void set({ list: key, column: other.columns[0]?.key ?? "", filters: {} });
    }}
  />
</EditorLine>
<EditorLine title="Rows where">
  {#each columns as { id, label } (id)}
    {@const parent = kind.filters[id] ?? ""}
    <span class="mb-0.5 flex items-center gap-1"
      ><span class="soft">{label} is</span>
      <Picker
        label={`Rows where ${label} is`}
        tone={parent ? "token field" : "token add"}
        text={parent ? `the answer to ${copy.nodes.get(parent)?.name ?? parent}` : "any"}
        options={parents}
        chosen={[parent]}
        onpick={(key) => filter(id, key)}
      /></span
    >
  {/each}
</EditorLine>
