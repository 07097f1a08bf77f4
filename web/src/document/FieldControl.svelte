<script lang="ts">
  import Button from "../ui/light/Button.svelte";
  import { getContext } from "svelte";
  import { PAY } from "./signing";
  import type { Field, NodeStateFieldState } from "../api/types";
  import { amount, areMarks, choicesOf, typedOf } from "./answers";
  import ChoiceControl from "./ChoiceControl.svelte";
  import FilesControl from "./FilesControl.svelte";
  import { lookClass, lookStyle } from "./looks";
  import Mark from "./Mark.svelte";
  import SignatureControl from "./SignatureControl.svelte";

  let {
    field,
    state,
    typed,
    id,
    describedBy,
    labelledBy,
    invalid = false,
    ontyped,
    onleave,
  }: {
    field: Field;
    state: NodeStateFieldState;
    /** What was typed; undefined where the field was never touched. */
    typed: string | undefined;
    id: string;
    describedBy?: string;
    /** Names the control where no label element does. */
    labelledBy?: string;
    invalid?: boolean;
    ontyped: (text: string) => void;
    onleave?: () => void;
  } = $props();

  const pay = getContext<((at: string) => void) | undefined>(PAY);
  const kind = $derived(field.kind);
  const look = $derived(lookClass(state.look));
  const style = $derived(lookStyle(state.look));
  /** What stands in the control: what was typed; otherwise what was worked out or stands there from the beginning. */
  const text = $derived(typed ?? typedOf(state.value));
  const worked = $derived(field.value?.type === "workedOut" && !(field.value.overtypable && typed));
  const standing = $derived.by(() => {
    if (!worked) return text;
    return kind.type === "money" && state.value.type === "number"
      ? amount(kind.currency, state.value.number)
      : typedOf(state.value);
  });
  const due = $derived(state.due !== null && Number(state.due) !== 0 ? state.due : null);
  const choices = $derived(choicesOf(kind, state.offered));
  const isMarks = $derived(areMarks(kind));
  const common = $derived({
    id,
    disabled: !state.editable,
    "aria-describedby": describedBy,
    "aria-labelledby": labelledBy,
    "aria-invalid": invalid || undefined,
    "aria-required": state.required || undefined,
    onblur: onleave,
  });
  /** The keyboard of a phone for each kind of address, and what a browser may fill in. */
  const ADDRESSES = { email: ["email", "email"], phone: ["tel", "tel"], webAddress: ["url", "url"] } as const;
  const value = (event: Event) => (event.currentTarget as HTMLInputElement).value;
</script>

{#if isMarks}
  <ChoiceControl {field} {state} typed={standing} {id} {describedBy} {invalid} {ontyped} {onleave} />
{:else if kind.type === "signature" || kind.type === "initials"}
  <SignatureControl {field} {state} typed={standing} {id} {describedBy} {ontyped} {onleave} />
{:else if kind.type === "attachment" || kind.type === "picture"}
  <FilesControl {field} {state} typed={standing} {id} {describedBy} {ontyped} {onleave} />
{:else if kind.type === "dateSigned"}
  <p {id} class="given">{standing || "The day of signing is put in here."}</p>
{:else if kind.type === "payment"}
  <p {id} class="given">
    {#if state.value.type === "paid"}Paid {kind.currency}
      {amount(kind.currency, state.value.amount)}{:else if !due}Nothing to pay{:else}To be paid: {kind.currency}
      {amount(kind.currency, due)}{/if}
    {#if pay && due && state.value.type !== "paid"}
      <Button look="primary" class="ms-3" onclick={() => pay(id.replace(/^f-/, ""))}>Pay at the desk</Button>
    {/if}
  </p>
{:else if kind.type === "longText"}
  <textarea
    {...common}
    class={["control", look]}
    {style}
    rows="3"
    value={standing}
    placeholder={kind.placeholder}
    oninput={(event) => ontyped(value(event))}></textarea>
{:else if kind.type === "oneChoice" || (kind.type === "lookup" && choices.length <= 30)}
  <select
    {...common}
    class={["control", look]}
    {style}
    value={standing}
    onchange={(event) => ontyped(value(event))}
  >
    <option value=""
      >{state.required ? "Choose one" : choices.length ? "No answer" : "Nothing to choose from yet"}</option
    >
    {#each choices as choice (choice.id)}<option value={choice.id}>{choice.label}</option>{/each}
  </select>
{:else if kind.type === "lookup"}
  <input
    {...common}
    class={["control", look]}
    {style}
    list={`${id}-list`}
    value={standing}
    onchange={(event) => ontyped(value(event))}
  />
  <datalist id={`${id}-list`}>
    {#each choices as choice (choice.id)}<option value={choice.id}></option>{/each}
  </datalist>
{:else if kind.type === "date" || kind.type === "time"}
  <input
    {...common}
    class={["control", look]}
    {style}
    type={kind.type}
    min={kind.earliest}
    max={kind.latest ?? (kind.type === "date" ? "9999-12-31" : undefined)}
    value={standing}
    onchange={(event) => ontyped(value(event))}
  />
{:else if kind.type === "email" || kind.type === "phone" || kind.type === "webAddress"}
  {@const [mode, fills] = ADDRESSES[kind.type]}
  <input
    {...common}
    class={["control", look]}
    {style}
    type="text"
    inputmode={mode}
    autocomplete={fills}
    autocapitalize="off"
    spellcheck="false"
    value={standing}
    oninput={(event) => ontyped(value(event))}
  />
{:else if kind.type === "number" || kind.type === "money"}
  <input
    {...common}
    class={["control tabular-nums", look]}
    {style}
    inputmode="decimal"
    autocomplete="off"
    value={standing}
    oninput={(event) => ontyped(value(event))}
  />
{:else}
  <input
    {...common}
    class={["control", look]}
    {style}
    value={standing}
    placeholder={kind.type === "text" ? kind.placeholder : undefined}
    oninput={(event) => ontyped(value(event))}
  />
{/if}
{#if state.look.words}
  <p class="mt-1 flex items-center gap-1.5"><Mark mark={state.look.mark} />{state.look.words}</p>
{/if}
{#if state.overtyped && state.editable}
  <p class="soft mt-1 text-note">
    Typed over what was worked out.
    <Button look="underlined" onclick={() => ontyped("")}>Work it out again</Button>
  </p>
{/if}

<style>
  .control {
    display: block;
    width: 100%;
    border-width: 1px;
    border-radius: var(--radius-md);
    min-height: var(--control-height, 32px);
    padding: 4px 9px;
    font-size: var(--control-size, 14px);
  }

  .control:not([class*="shade-"]) {
    border-color: var(--color-edge);
    background-color: var(--color-paper);
  }

  .control:focus-visible {
    outline: 2px solid var(--color-river);
    outline-offset: -1px;
  }

  .control[aria-invalid="true"]:not([class*="shade-"]) {
    border-color: var(--color-clay);
  }

  .control:disabled:disabled {
    background: var(--color-locked);
    color: var(--color-soft);
  }

  textarea.control {
    resize: vertical;
    line-height: 1.45;
  }

  .given {
    min-height: var(--control-height, 32px);
    padding-top: 5px;
    border-bottom: 1px solid var(--color-edge);
  }
</style>
