<script lang="ts">
  import type { Field, NodeStateFieldState } from "../api/types";

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
    typed: string;
    id: string;
    describedBy?: string;
    /** Names the control where no label element does. */
    labelledBy?: string;
    invalid?: boolean;
    ontyped: (text: string) => void;
    onleave?: () => void;
  } = $props();

  const kind = $derived(field.kind);
  const look = $derived(state.look);
  const choices = $derived(
    kind.type === "yesNo"
      ? [
          { id: "yes", label: "Yes" },
          { id: "no", label: "No" },
        ]
      : kind.type === "oneChoice"
        ? kind.choices
        : [],
  );
  const shade = $derived(look.shade !== "plain" ? `shade-${look.shade}` : "");
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

{#if kind.type === "longText"}
  <textarea
    {...common}
    class={["control", shade]}
    rows="3"
    value={typed}
    placeholder={kind.placeholder}
    oninput={(event) => ontyped(value(event))}></textarea>
{:else if kind.type === "oneChoice" && kind.layout === "list"}
  <select {...common} class={["control", shade]} value={typed} onchange={(event) => ontyped(value(event))}>
    <option value="">{state.required ? "Choose one" : "No answer"}</option>
    {#each choices as choice (choice.id)}<option value={choice.id}>{choice.label}</option>{/each}
  </select>
{:else if choices.length}
  <div
    class="flex flex-wrap gap-x-[18px] gap-y-1.5 py-[3px]"
    role="radiogroup"
    {id}
    tabindex="-1"
    aria-labelledby={`${id}-label`}
    aria-describedby={describedBy}
    aria-required={state.required || undefined}
    aria-invalid={invalid || undefined}
  >
    {#each choices as choice (choice.id)}
      <label class="choice flex items-center gap-1.5 has-disabled:opacity-60">
        <input
          type="radio"
          class="mark"
          name={id}
          value={choice.id}
          checked={typed === choice.id}
          disabled={!state.editable}
          onchange={() => ontyped(choice.id)}
          onblur={onleave}
        />
        {choice.label}
      </label>
    {/each}
    {#if typed && !state.required && state.editable}
      <button
        type="button"
        class="soft text-xs underline"
        onclick={() => ontyped("")}
        aria-label={`Take back the answer to ${field.label}`}>Take back</button
      >
    {/if}
  </div>
{:else if kind.type === "date"}
  <input
    {...common}
    class={["control", shade]}
    type="date"
    min={kind.earliest}
    max={kind.latest ?? "9999-12-31"}
    value={typed}
    onchange={(event) => ontyped(value(event))}
  />
{:else if kind.type === "number" || kind.type === "money"}
  <input
    {...common}
    class={["control tabular-nums", shade, look.bold && "font-semibold"]}
    inputmode="decimal"
    autocomplete="off"
    value={typed}
    oninput={(event) => ontyped(value(event))}
  />
{:else if kind.type === "email" || kind.type === "phone" || kind.type === "webAddress"}
  {@const [mode, fills] = ADDRESSES[kind.type]}
  <input
    {...common}
    class={["control", shade]}
    type="text"
    inputmode={mode}
    autocomplete={fills}
    autocapitalize="off"
    spellcheck="false"
    value={typed}
    oninput={(event) => ontyped(value(event))}
  />
{:else if kind.type === "text"}
  <input
    {...common}
    class={["control", shade]}
    value={typed}
    placeholder={kind.placeholder}
    oninput={(event) => ontyped(value(event))}
  />
{:else}
  <input
    {...common}
    class={["control", shade]}
    type={kind.type === "time" ? "time" : "text"}
    value={typed}
    oninput={(event) => ontyped(value(event))}
  />
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
    background: #eff2f0;
    color: var(--color-soft);
  }

  textarea.control {
    resize: vertical;
    line-height: 1.45;
  }

  .choice {
    min-height: var(--choice-height, 24px);
  }

  .mark {
    appearance: none;
    width: 16px;
    height: 16px;
    border: 1.5px solid var(--color-edge);
    border-radius: 50%;
    background: var(--color-paper);
    flex: none;
  }

  .mark:checked {
    border: 5px solid var(--color-river);
  }

  .mark:disabled {
    opacity: 0.6;
  }
</style>
