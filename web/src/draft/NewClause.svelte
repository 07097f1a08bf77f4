<script lang="ts">
  import { type Clause, type ClauseDraft, begun } from "./clauses";
  import ClauseRow from "./ClauseRow.svelte";
  import { workingCopy } from "./context";
  import Picker, { type Option } from "./Picker.svelte";

  let {
    except,
    onadd,
    oncancel,
  }: { except: string[]; onadd: (clause: Clause) => void; oncancel: () => void } = $props();

  const copy = workingCopy();
  const SPLIT = "\n";
  let draft = $state<ClauseDraft | null>(null);

  /** Every field, and behind each that has choices, each choice: one pick is then a whole clause. */
  const options = $derived(
    [...copy.nodes.values()].flatMap(({ node, name }): Option[] => {
      if (node.type !== "field" || except.includes(node.key)) return [];
      const kind = node.kind;
      const choices =
        kind.type === "oneChoice"
          ? kind.choices
          : kind.type === "yesNo"
            ? [
                { id: "yes", label: "Yes" },
                { id: "no", label: "No" },
              ]
            : [];
      return [
        { id: node.key, label: name, hint: choices.length ? "…" : "" },
        ...choices.map(({ id, label }) => ({ id: node.key + SPLIT + id, label: `${name} is ${label}` })),
      ];
    }),
  );

  function pick(id: string) {
    const [key = "", choice] = id.split(SPLIT);
    const node = copy.nodes.get(key)?.node;
    if (node?.type !== "field") return;
    if (choice) onadd({ type: "choice", field: key, test: "is", choices: [choice], whenBlank: null });
    else draft = begun(key, copy.vocabulary.operators[node.kind.type]?.[0]?.operator ?? "answered");
  }
</script>

{#if draft}
  <ClauseRow {draft} fresh onchange={onadd} onremove={oncancel} />
{:else}
  <Picker
    label="Follows"
    tone="add"
    text="which field?"
    open
    {options}
    placeholder="Name of a field or choice"
    onpick={pick}
    onclose={() => setTimeout(() => draft ?? oncancel(), 0)}
  />
{/if}
