<script lang="ts">
  import { namable } from "./choices";
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
  /** Whether the document was pointed at, so that the list closes without giving up. */
  let pointed = false;

  /** Every field, and behind each that has choices, each choice: one pick is then a whole clause. */
  const options = $derived(
    [...copy.nodes.values()].flatMap(({ node, name }): Option[] => {
      if (node.type !== "field" || except.includes(node.key)) return [];
      const choices = namable(node, copy.nodes.get(node.key)?.state);
      const verb = node.kind.type === "severalChoices" ? "includes" : "is";
      return [
        { id: node.key, label: name, hint: choices.length ? "…" : "" },
        ...choices.map(({ id, label }) => ({ id: node.key + SPLIT + id, label: `${name} ${verb} ${label}` })),
      ];
    }),
  );

  function pick(id: string) {
    const [key = "", choice] = id.split(SPLIT);
    const node = copy.nodes.get(key)?.node;
    if (node?.type !== "field") return;
    if (choice)
      onadd(
        node.kind.type === "severalChoices"
          ? { type: "set", field: key, test: "includes", choices: [choice], whenBlank: null }
          : { type: "choice", field: key, test: "is", choices: [choice], whenBlank: null },
      );
    else draft = begun(key, copy.vocabulary.operators[node.kind.type]?.[0]?.operator ?? "answered");
  }

  // While the first token is open, the document can be pointed at instead.
  $effect(() => {
    copy.pointing = (field, choice) => {
      pointed = true;
      if (!except.includes(field)) pick(choice === null ? field : field + SPLIT + choice);
    };
    return () => (copy.pointing = null);
  });
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
    placeholder="Name of a field or choice, or click one in the document"
    onpick={pick}
    onclose={() => setTimeout(() => draft ?? (pointed || oncancel()), 0)}
  />
{/if}
