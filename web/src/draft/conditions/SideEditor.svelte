<script lang="ts">
  import Input from "../../ui/Input.svelte";
  import { answerType } from "../../api/kinds";
  import type { Field } from "../../api/types";
  import { areComparable, numeral, isDay, type Side } from "./clauses";
  import { workingCopy } from "../context";
  import FormulaInput from "./FormulaInput.svelte";
  import Picker from "../../ui/Picker.svelte";

  let {
    side,
    name,
    field,
    whole = false,
    fresh = false,
    onchange,
  }: {
    side: Side;
    /** What this side is called for screen readers. */
    name: string;
    /** The field that is compared. */
    field: Field;
    /** Whether only a whole number will do. */
    whole?: boolean;
    fresh?: boolean;
    onchange: (side: Side) => void;
  } = $props();

  const copy = workingCopy();
  const day = $derived(isDay(field.kind));
  const time = $derived(answerType(field.kind) === "time");
  const others = $derived(
    [...copy.nodes.values()].flatMap(({ node, name }) =>
      node.type === "field" && node.key !== field.key && areComparable(node.kind, field.kind)
        ? [{ id: node.key, label: name }]
        : [],
    ),
  );
  const ways = $derived([
    { id: "value", label: day ? "a day" : time ? "a time" : "a number" },
    ...(others.length ? [{ id: "field", label: "the answer to another field" }] : []),
    ...(day ? [{ id: "today", label: "the day it is filled in" }] : []),
    { id: "formula", label: "a formula" },
  ]);
  let picked = $state<Side["type"] | null>(null);
  const type = $derived(picked ?? side.type);
  const text = $derived(type === side.type ? side.text : "");
  const isWrong = $derived(type === "value" && text !== "" && !day && !time && numeral(text) === null);

  function pick(id: string) {
    picked = id as Side["type"];
    if (picked === "today") onchange({ type: "today", text: "0" });
  }

  function write(typed: string) {
    onchange({ type, text: typed });
    picked = null;
  }

  const focused = (input: HTMLInputElement) => {
    if (fresh || picked) input.focus();
  };
</script>

{#if type === "field"}
  <Picker
    label={name}
    tone="token field"
    text={copy.nodes.get(text)?.name ?? "which field?"}
    options={others}
    chosen={[text]}
    open={!text}
    onpick={write}
  />
{:else if type === "today"}
  <span class="soft">today</span>
  <Input
    look="token value"
    inputmode="numeric"
    size={4}
    aria-label={`${name}: days from today`}
    shows={text}
    onchange={(event) => write(event.currentTarget.value)}
  />
  <span class="soft">days later</span>
{:else if type === "formula"}
  <FormulaInput
    label={`${name}: formula`}
    rows={copy.around(field.key)}
    value={text}
    placeholder="length * 2"
    autofocus={fresh || picked !== null}
    onwrite={write}
  />
{:else}
  <Input
    look="token value"
    class={[isWrong && "wrong"]}
    type={day ? "date" : time ? "time" : "text"}
    inputmode={day || time ? undefined : "decimal"}
    aria-label={name}
    aria-invalid={isWrong || undefined}
    placeholder="number"
    shows={text}
    size={6}
    {@attach focused}
    onchange={(event) => write(event.currentTarget.value)}
  />
  {#if isWrong}<span class="trouble text-xs">Write a number of at most 15 digits.</span>{/if}
{/if}
{#if !whole}
  <Picker
    label={`${name} is`}
    text="⋯"
    tone="token faint"
    options={ways}
    chosen={[type]}
    placeholder="Compare with"
    onpick={pick}
  />
{/if}
