<script lang="ts">
  import type { Aspect, Condition } from "../api/types";
  import { type Clause, conditionOf, isClause, isGroup, isPlain } from "./clauses";
  import { workingCopy } from "./context";
  import EditorLine from "./EditorLine.svelte";
  import GroupEditor from "./GroupEditor.svelte";
  import NewClause from "./NewClause.svelte";
  import Now from "./Now.svelte";
  import Picker from "./Picker.svelte";

  let { key, aspect, condition }: { key: string; aspect: Aspect; condition: Condition | null } = $props();

  const copy = workingCopy();
  let beginning = $state(false);

  const TITLE: Record<Aspect, string> = {
    shown: "Shown",
    required: "Required",
    editable: "Editable",
    open: "Opened out",
  };
  const usual = $derived(aspect === "required" ? "never" : "always");
  const mode = $derived(condition === null ? usual : isPlain(condition) ? condition.type : "when");
  const met = $derived(copy.nodes.get(key)?.state.met.includes(aspect) ?? false);
  /** A node cannot be shown by what stands inside itself. */
  const except = $derived(aspect === "shown" ? inside(key) : []);

  /** The whole in words, where a part of it cannot be edited as tokens. */
  const sentence = $derived(
    copy
      .view(key)
      .sentences.find(({ aspects }) => aspects.includes(aspect))
      ?.parts.map(({ text }) => text)
      .join(""),
  );

  function hasMore(of: Condition): boolean {
    return isGroup(of) ? of.conditions.some(hasMore) : !isPlain(of) && !isClause(of);
  }

  function inside(node: string): string[] {
    return [node, ...copy.inside(node).flatMap(inside)];
  }

  const set = (to: Condition | null) =>
    copy.edit({ type: "setCondition", keys: [key], aspects: [aspect], condition: to });
  const change = (of: (now: Condition) => Condition | null) =>
    copy.edit(() => {
      const node = copy.view(key).node;
      const now = conditionOf(node, aspect);
      return { type: "setCondition", keys: [key], aspects: [aspect], condition: now && of(now) };
    });

  function pick(to: string) {
    beginning = to === "when" && mode !== "when";
    if (to === mode || to === "when") return;
    void set(to === usual ? null : { type: to as "always" | "never" });
  }

  function add(clause: Clause) {
    beginning = false;
    void set(clause);
  }
</script>

<EditorLine title={TITLE[aspect]}>
  <Picker
    label={TITLE[aspect]}
    text={beginning ? "when" : mode}
    options={["always", "when", "never"].map((id) => ({ id, label: id === "when" ? "when …" : id }))}
    chosen={[mode]}
    onpick={pick}
  />
  {#if mode === "when" && condition}
    <Now {met} />
    {#if hasMore(condition)}<p class="mt-1 font-margin text-[14px]">{sentence}</p>{/if}
    <span class="mt-1 block"><GroupEditor {condition} {except} onchange={change} /></span>
  {:else if beginning}
    <NewClause {except} onadd={add} oncancel={() => (beginning = false)} />
  {:else}
    <button type="button" class="token add" onclick={() => (beginning = true)}>add a condition</button>
  {/if}
</EditorLine>
