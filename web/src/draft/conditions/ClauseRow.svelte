<script lang="ts">
  import Button from "../../ui/Button.svelte";
  import Input from "../../ui/Input.svelte";
  import { answerType } from "../../api/kinds";
  import type { Field, Operator, OrderTest } from "../../api/types";
  import { COUNTING, type Clause, type ClauseDraft, ORDERS, begun, closed, isOneChoice } from "./clauses";
  import { namable } from "./choices";
  import { workingCopy } from "../context";
  import Picker, { type Option } from "../../ui/Picker.svelte";
  import SideEditor from "./SideEditor.svelte";

  let {
    draft,
    rows = null,
    fresh = false,
    onchange,
    onremove,
  }: {
    draft: ClauseDraft;
    /** The repeating section whose row is at hand; null outside of rows. */
    rows?: string | null;
    /** Whether the author is just writing this clause, so that the next token is opened for them. */
    fresh?: boolean;
    onchange: (clause: Clause) => void;
    onremove: () => void;
  } = $props();

  const copy = workingCopy();
  // svelte-ignore state_referenced_locally
  let now = $state(draft);
  // While edits are on their way, the tokens show what their author has chosen last.
  $effect(() => {
    if (!copy.pending) now = draft;
  });

  const field = $derived(copy.nodes.get(now.field)?.node as ({ type: "field" } & Field) | undefined);
  const verbs = $derived(
    field
      ? (copy.vocabulary.operators[field.kind.type] ?? []).filter(
          ({ operator }) => operator !== "inBand" || field.bands.length > 0,
        )
      : [],
  );
  const verb = $derived(verbs.find(({ operator }) => operator === now.operator));
  const offered = $derived<Option[]>(
    !field
      ? []
      : now.operator === "inBand"
        ? field.bands.map(({ id, label }, i) => ({ id, label: label || `band ${i + 1}` }))
        : namable(field, copy.nodes.get(field.key)?.state),
  );
  const isCount = $derived(COUNTING.includes(now.operator));
  const isChoice = $derived(
    !!field &&
      !isCount &&
      (isOneChoice(field.kind) || answerType(field.kind) === "choices" || now.operator === "inBand"),
  );
  const asksValue = $derived(now.operator !== "answered" && now.operator !== "blank");
  const isRange = $derived(now.operator === "between" || now.operator === "outside");
  const isText = $derived(!isCount && !!field && answerType(field.kind) === "text");
  const unit = $derived(
    field?.kind.type === "number" ? field.kind.unit : field?.kind.type === "money" ? field.kind.currency : "",
  );
  const metWhenBlank = $derived(now.whenBlank ?? verb?.metWhenBlank ?? false);
  const chosenText = $derived(
    now.choices.length
      ? now.choices.map((id) => offered.find((it) => it.id === id)?.label ?? id).join(", ")
      : "choose",
  );
  const fields = $derived<Option[]>(
    [...copy.nodes.values()].flatMap(({ node, name }) =>
      node.type === "field" && [null, rows, copy.around(now.field)].includes(copy.around(node.key))
        ? [{ id: node.key, label: name }]
        : [],
    ),
  );

  function change(part: Partial<ClauseDraft>) {
    now = { ...now, ...part };
    const clause = field && closed(now, field);
    if (clause) onchange(clause);
  }

  function pickField(key: string) {
    const node = copy.nodes.get(key)?.node;
    if (node?.type !== "field" || key === now.field) return;
    const sameKind = field?.kind.type === node.kind.type && field.kind.type !== "oneChoice";
    const first = copy.vocabulary.operators[node.kind.type]?.[0]?.operator ?? "answered";
    now = sameKind ? { ...now, field: key } : begun(key, first);
    change({});
  }

  function pickChoice(id: string) {
    change({
      choices: now.choices.includes(id) ? now.choices.filter((it) => it !== id) : [...now.choices, id],
    });
  }

  const focused = (input: HTMLInputElement) => {
    if (fresh) input.focus();
  };
</script>

{#snippet edge(isIn: boolean, name: string, part: Partial<ClauseDraft>)}
  <Button
    look="token"
    aria-label={`${name}: ${isIn ? "in" : "out"}`}
    title="Whether exactly this value counts"
    onclick={() => change(part)}>{isIn ? "in" : "out"}</Button
  >
{/snippet}

<span class="clause">
  <Picker
    label="Field"
    tone="token field"
    text={copy.nodes.get(now.field)?.name ?? "field"}
    options={fields}
    chosen={[now.field]}
    onpick={pickField}
  />
  <Picker
    label="Verb"
    text={now.operator === "is" && now.choices.length > 1
      ? "is one of"
      : now.operator === "isNot" && now.choices.length > 1
        ? "is none of"
        : (verb?.words ?? "")}
    options={verbs.map(({ operator, words }) => ({ id: operator, label: words }))}
    chosen={[now.operator]}
    onpick={(operator) => change({ operator: operator as Operator, whenBlank: null })}
  />
  {#if asksValue && isChoice}
    <Picker
      label="Choices"
      tone="token value"
      text={chosenText}
      options={offered}
      chosen={now.choices}
      several
      open={fresh && !now.choices.length}
      onpick={pickChoice}
    />
  {:else if asksValue && isText}
    <Input
      look="token value"
      aria-label="Text"
      placeholder="text"
      shows={now.text}
      size={Math.min(24, Math.max(8, now.text.length))}
      {@attach focused}
      onchange={(event) => change({ text: event.currentTarget.value })}
    />
    <Button
      look="token"
      pressed={now.matchCase}
      title="Whether upper and lower case are told apart"
      onclick={() => change({ matchCase: !now.matchCase })}>match case</Button
    >
  {:else if asksValue && field}
    {#if isCount}
      <Picker
        label="Compared"
        text={ORDERS.find(({ id }) => id === now.order)?.label ?? ""}
        options={ORDERS}
        chosen={[now.order]}
        onpick={(order) => change({ order: order as OrderTest })}
      />
    {/if}
    <SideEditor
      side={now.first}
      name={isRange ? "Lower edge" : "Value"}
      {field}
      whole={isCount}
      {fresh}
      onchange={(first) => change({ first })}
    />
    {#if isRange}
      {@render edge(now.firstIn, "Lower edge", { firstIn: !now.firstIn })} and
      <SideEditor side={now.second} name="Upper edge" {field} onchange={(second) => change({ second })} />
      {@render edge(now.secondIn, "Upper edge", { secondIn: !now.secondIn })}
    {/if}
    {#if unit && !isCount}<span class="soft">{unit}</span>{/if}
  {/if}
  {#if asksValue}
    <Button
      look="token blank"
      title="What this says while nothing is answered; click to change"
      onclick={() =>
        change({ whenBlank: metWhenBlank === (verb?.metWhenBlank ?? false) ? !metWhenBlank : null })}
      >{metWhenBlank ? "also when blank" : "not when blank"}</Button
    >
  {/if}
  <Button
    look="token faint"
    aria-label="Take this clause away"
    title="Take this clause away"
    onclick={onremove}>×</Button
  >
</span>

<style>
  .clause {
    line-height: 28px;
  }

  .clause :global(input.value) {
    font-weight: 600;
  }
</style>
