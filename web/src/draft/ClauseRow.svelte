<script lang="ts">
  import type { Field, Operator } from "../api/types";
  import { type Clause, type ClauseDraft, begun, closed, decimal, isOneChoice } from "./clauses";
  import { namable } from "./choices";
  import { workingCopy } from "./context";
  import Picker, { type Option } from "./Picker.svelte";

  let {
    draft,
    fresh = false,
    onchange,
    onremove,
  }: {
    draft: ClauseDraft;
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
  const verbs = $derived(field ? (copy.vocabulary.operators[field.kind.type] ?? []) : []);
  const verb = $derived(verbs.find(({ operator }) => operator === now.operator));
  const offered = $derived<Option[]>(field ? namable(field, copy.nodes.get(field.key)?.state) : []);
  const isChoice = $derived(!!field && (isOneChoice(field.kind) || field.kind.type === "severalChoices"));
  const isDate = $derived(field?.kind.type === "date" || field?.kind.type === "dateSigned");
  const isTime = $derived(field?.kind.type === "time");
  const asksValue = $derived(now.operator !== "answered" && now.operator !== "blank");
  const isRange = $derived(now.operator === "between" || now.operator === "outside");
  const isText = $derived(
    ["text", "longText", "email", "phone", "webAddress"].includes(field?.kind.type ?? ""),
  );
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
      node.type === "field" ? [{ id: node.key, label: name }] : [],
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

  const isWrong = (typed: string) => typed !== "" && !isDate && decimal(typed) === null;
  const focused = (input: HTMLInputElement) => {
    if (fresh) input.focus();
  };
</script>

{#snippet side(value: string, name: string, first: boolean)}
  <input
    class={["token value", isWrong(value) && "wrong"]}
    type={isDate ? "date" : isTime ? "time" : "text"}
    inputmode={isDate ? undefined : "decimal"}
    aria-label={name}
    aria-invalid={isWrong(value) || undefined}
    placeholder="number"
    {value}
    size="6"
    use:focused
    onchange={(event) =>
      change(first ? { first: event.currentTarget.value } : { second: event.currentTarget.value })}
  />
  {#if isWrong(value)}<span class="trouble text-xs">Write a number of at most 15 digits.</span>{/if}
{/snippet}

{#snippet edge(isIn: boolean, name: string, part: Partial<ClauseDraft>)}
  <button
    type="button"
    class="token plain"
    aria-label={`${name}: ${isIn ? "in" : "out"}`}
    title="Whether exactly this value counts"
    onclick={() => change(part)}>{isIn ? "in" : "out"}</button
  >
{/snippet}

<span class="clause">
  <Picker
    label="Field"
    tone="field"
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
      tone="value"
      text={chosenText}
      options={offered}
      chosen={now.choices}
      several
      open={fresh && !now.choices.length}
      onpick={pickChoice}
    />
  {:else if asksValue && isText}
    <input
      class="token value"
      aria-label="Text"
      placeholder="text"
      value={now.text}
      size={Math.min(24, Math.max(8, now.text.length))}
      use:focused
      onchange={(event) => change({ text: event.currentTarget.value })}
    />
  {:else if asksValue}
    {@render side(now.first, isRange ? "Lower edge" : "Value", true)}
    {#if isRange}
      {@render edge(now.firstIn, "Lower edge", { firstIn: !now.firstIn })} and
      {@render side(now.second, "Upper edge", false)}
      {@render edge(now.secondIn, "Upper edge", { secondIn: !now.secondIn })}
    {/if}
    {#if unit}<span class="soft">{unit}</span>{/if}
  {/if}
  {#if asksValue}
    <button
      type="button"
      class="token blank"
      title="What this says while nothing is answered; click to change"
      onclick={() =>
        change({ whenBlank: metWhenBlank === (verb?.metWhenBlank ?? false) ? !metWhenBlank : null })}
      >{metWhenBlank ? "also when blank" : "not when blank"}</button
    >
  {/if}
  <button
    type="button"
    class="token bare"
    aria-label="Take this clause away"
    title="Take this clause away"
    onclick={onremove}>×</button
  >
</span>

<style>
  .clause {
    display: inline-flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 3px;
  }

  input.value {
    font-weight: 600;
  }
</style>
