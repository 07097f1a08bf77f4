<script lang="ts">
  import Alert from "../../ui/Alert.svelte";
  import Button from "../../ui/Button.svelte";
  import Input from "../../ui/Input.svelte";
  import { ASPECTS, aspectsOf } from "../../api/aspects";
  import { request, said } from "../../api/http";
  import type { AsClauses, AsText, Aspect, Condition } from "../../api/types";
  import { conditionOf, isPlain } from "../conditions/clauses";
  import { workingCopy } from "../context";
  import EditorLine from "./EditorLine.svelte";
  import FormulaInput from "../conditions/FormulaInput.svelte";
  import GroupEditor from "../conditions/GroupEditor.svelte";
  import NewClause from "../conditions/NewClause.svelte";
  import Now from "../margin/Now.svelte";
  import Picker from "../../ui/Picker.svelte";

  let {
    keys,
    aspect,
    condition,
  }: {
    /** The nodes it is about; what holds now is told of the first. */
    keys: string[];
    aspect: Aspect;
    condition: Condition | null;
  } = $props();

  const key = $derived(keys[0]!);

  const copy = workingCopy();
  let beginning = $state(false);
  /** Whether what is begun is to ask for an answer too. */
  let asking = $state(false);

  const title = $derived(ASPECTS[aspect].title);
  const shared = $derived(condition?.type === "shared" ? copy.shared.get(condition.condition) : undefined);
  /** What the condition says, whether it stands here alone or is shared. */
  const content = $derived(shared ? shared.condition : condition);
  /** In how many places the condition is used. */
  const uses = $derived(
    shared
      ? [...copy.nodes.values()]
          .flatMap(({ node }) => aspectsOf(node).map((it) => conditionOf(node, it)))
          .filter((used) => used?.type === "shared" && used.condition === shared.key).length
      : 0,
  );
  let naming = $state(false);
  /** The condition as a formula, while it is looked at as one. */
  let formula = $state<string | null>(null);
  let wrong = $state("");
  const usual = $derived(ASPECTS[aspect].plainDefault ? "always" : "never");
  const mode = $derived(condition === null ? usual : isPlain(condition) ? condition.type : "when");
  const met = $derived(copy.nodes.get(key)?.state.met.includes(aspect) ?? false);
  /** A node cannot be shown by what stands inside itself. */
  const except = $derived(aspect === "shown" ? keys.flatMap(inside) : []);

  const rows = $derived(copy.around(key));

  function inside(node: string): string[] {
    return [node, ...copy.inside(node).flatMap(inside)];
  }

  const set = (to: Condition | null) =>
    copy.edit({ type: "setCondition", keys, aspects: [aspect], condition: to });
  const change = (of: (now: Condition) => Condition | null) =>
    copy.edit(() => {
      const now = conditionOf(copy.view(key).node, aspect);
      const known = now?.type === "shared" ? copy.shared.get(now.condition) : undefined;
      const to = now && of(known ? known.condition : now);
      return known && to
        ? { type: "setShared", key: known.key, name: known.name, condition: to }
        : { type: "setCondition", keys, aspects: [aspect], condition: to };
    });

  function name(text: string) {
    naming = false;
    if (!text.trim()) return;
    void copy.edit(
      shared
        ? { type: "setShared", key: shared.key, name: text, condition: shared.condition }
        : { type: "extract", key, aspect, name: text },
    );
  }

  const base = `/api/templates/${copy.template}/draft`;

  async function write() {
    wrong = "";
    const place = `key=${key}&aspect=${aspect.toUpperCase()}`;
    formula = (await request<AsText>("GET", `${base}/formula?${place}`)).formula;
  }

  /** Takes a formula; what clauses can say of it comes back as clauses. */
  async function read(text: string) {
    wrong = "";
    try {
      const { condition: to } = await request<AsClauses>("POST", `${base}/as-condition`, { formula: text });
      if ((await change(() => to)) !== null) formula = null;
    } catch (problem) {
      wrong = said(problem);
    }
  }

  /** The other aspects that have a condition, which this one can share. */
  const others = $derived(
    keys.length === 1
      ? aspectsOf(copy.view(key).node).filter((it) => {
          const other = conditionOf(copy.view(key).node, it);
          return (
            it !== aspect && other && !isPlain(other) && JSON.stringify(other) !== JSON.stringify(condition)
          );
        })
      : [],
  );

  function pick(to: string) {
    const as = others.find((it) => `as ${it}` === to);
    if (as) {
      beginning = false;
      const other = conditionOf(copy.view(key).node, as)!;
      const said = other.type === "shared" ? copy.shared.get(other.condition) : undefined;
      void copy.edit(
        said?.name
          ? { type: "setCondition", keys, aspects: [aspect], condition: other }
          : { type: "setCondition", keys, aspects: [aspect, as], condition: said?.condition ?? other },
      );
      return;
    }
    asking = to === "asked";
    beginning = asking || (to === "when" && mode !== "when");
    if (to === mode || to === "when" || asking) return;
    void set(to === usual ? null : { type: to as "always" | "never" });
  }

  function add(clause: Condition) {
    const aspects: Aspect[] = asking ? [aspect, "required"] : [aspect];
    beginning = asking = false;
    void copy.edit({ type: "setCondition", keys, aspects, condition: clause });
  }
</script>

<EditorLine {title}>
  <Picker
    label={title}
    text={beginning ? "when" : mode}
    options={[
      ...["always", "when", "never"].map((id) => ({ id, label: id === "when" ? "when …" : id })),
      ...(aspect === "shown" && keys.every((it) => copy.view(it).node.type === "field")
        ? [{ id: "asked", label: "when …, and required then" }]
        : []),
      ...others.map((it) => ({ id: `as ${it}`, label: `when ${ASPECTS[it].title.toLowerCase()}` })),
    ]}
    chosen={[mode]}
    onpick={pick}
  />
  {#if mode === "when" && condition && !asking}
    <Now {met} />
    {#if shared}
      <span class="soft">shared by {uses}{shared.name ? ` as “${shared.name}”` : ""}</span>
    {/if}
    {#if formula !== null || content?.type === "written"}
      <FormulaInput
        label={`Formula for ${title.toLowerCase()}`}
        {rows}
        value={formula ?? (content?.type === "written" ? content.formula : "")}
        onwrite={(text) => void read(text)}
      />
      {#if wrong}<Alert class="text-xs">{wrong}</Alert>{/if}
    {/if}
    {#if content && formula === null && content.type !== "written"}<span class="mt-1 block"
        ><GroupEditor condition={content} {except} {rows} onchange={change} /></span
      >{/if}
    <span class="mt-1 block">
      {#if naming}
        <Input
          look="token figure"
          aria-label="Name of the shared condition"
          placeholder="Name of the shared condition"
          autofocus
          shows={shared?.name ?? ""}
          onchange={(event) => name(event.currentTarget.value)}
          onblur={() => (naming = false)}
        />
      {:else}
        <Button look="token" onclick={() => (naming = true)}
          >{shared ? (shared.name ? "Rename" : "Give it a name") : "Share it under a name"}</Button
        >
      {/if}
      {#if content && content.type !== "written"}
        <Button
          look="token"
          pressed={formula !== null}
          onclick={() => (formula === null ? void write() : (formula = null))}
          >{formula === null ? "As a formula" : "As clauses"}</Button
        >
      {/if}
      {#if shared}
        <Button look="token" onclick={() => set(shared.condition)}>Only here</Button>
        {#if shared.name}
          <Button look="token" onclick={() => copy.edit({ type: "inline", condition: shared.key })}
            >Write it out everywhere</Button
          >
        {/if}
      {/if}
    </span>
  {:else if beginning}
    <NewClause {except} {rows} onadd={add} oncancel={() => (beginning = asking = false)} />
  {:else}
    <Button look="token add" onclick={() => (beginning = true)}>add a condition</Button>
  {/if}
</EditorLine>
