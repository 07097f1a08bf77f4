<script lang="ts">
  import Button from "../ui/light/Button.svelte";
  import type { Field, NodeStateFieldState } from "../api/types";
  import { type Chosen, areButtons, choicesOf, readChosen, writeChosen } from "./answers";

  let {
    field,
    state: stand,
    typed,
    id,
    describedBy,
    invalid,
    ontyped,
    onleave,
  }: {
    field: Field;
    state: NodeStateFieldState;
    typed: string;
    id: string;
    describedBy?: string;
    invalid: boolean;
    ontyped: (text: string) => void;
    onleave?: () => void;
  } = $props();

  const kind = $derived(field.kind);
  const several = $derived(kind.type === "severalChoices");
  const choices = $derived(choicesOf(kind, stand.offered));
  const other = $derived(
    (kind.type === "oneChoice" || kind.type === "severalChoices") &&
      kind.other &&
      (stand.offered === null || stand.offered.includes("other")),
  );
  const style = $derived("style" in kind ? kind.style : null);
  const isButtons = $derived(areButtons(kind));
  const mark = $derived(
    !style || style.mark === "usual" ? (several ? "square" : "round") : (style.mark as string),
  );
  const chosen = $derived(readChosen(typed));
  const isOn = (choice: string) => chosen.ids.includes(choice);

  function pick(choice: string, on: boolean) {
    if (!several) return ontyped(on ? choice : "");
    const ids = on ? [...chosen.ids, choice] : chosen.ids.filter((it) => it !== choice);
    const order = choices.map((it) => it.id);
    ontyped(writeChosen({ ...chosen, ids: ids.sort((a, b) => order.indexOf(a) - order.indexOf(b)) }));
  }

  function say(words: string | null) {
    const next: Chosen = several ? { ...chosen, words } : { ids: [], words };
    ontyped(writeChosen(next));
  }
</script>

<div
  class={["choices", style?.size, isButtons && "buttons", style && style.columns > 0 && "columns"]}
  style:--columns={style?.columns || undefined}
  role={several ? "group" : "radiogroup"}
  {id}
  tabindex="-1"
  aria-labelledby={`${id}-label`}
  aria-describedby={describedBy}
  aria-required={several ? undefined : stand.required || undefined}
  aria-invalid={several ? undefined : invalid || undefined}
>
  {#each choices as choice (choice.id)}
    <label class="choice has-disabled:opacity-60">
      <input
        type={several ? "checkbox" : "radio"}
        class={["mark", mark]}
        name={id}
        value={choice.id}
        checked={isOn(choice.id)}
        disabled={!stand.editable}
        onchange={(event) => pick(choice.id, event.currentTarget.checked)}
        onblur={onleave}
      />
      <span class="min-w-0">{choice.label}</span>
    </label>
  {/each}
  {#if other}
    <span class="choice other">
      <label class="flex items-center gap-1.5 whitespace-nowrap has-disabled:opacity-60">
        <input
          type={several ? "checkbox" : "radio"}
          class={["mark", mark]}
          name={id}
          value="="
          checked={chosen.words !== null}
          disabled={!stand.editable}
          onchange={(event) => say(event.currentTarget.checked ? "" : null)}
          onblur={onleave}
        />
        Other
      </label>
      {#if chosen.words !== null}
        <input
          class="words"
          aria-label={`Other, for ${field.label}`}
          placeholder="Say what"
          disabled={!stand.editable}
          value={chosen.words}
          oninput={(event) => say(event.currentTarget.value)}
          onblur={onleave}
        />
      {/if}
    </span>
  {/if}
  {#if !choices.length && !other}<span class="soft">Nothing to choose from yet.</span>{/if}
  {#if !several && typed && !stand.required && stand.editable}
    <Button
      look="underlined"
      class="soft"
      onclick={() => ontyped("")}
      aria-label={`Take back the answer to ${field.label}`}>Take back</Button
    >
  {/if}
</div>

<style>
  .choices {
    display: flex;
    flex-wrap: wrap;
    gap: 6px 18px;
    padding-block: 3px;
  }

  .columns {
    display: grid;
    /* As many columns as wanted, fewer where there is no room for words. */
    grid-template-columns: repeat(auto-fill, minmax(max(96px, 100% / var(--columns) - 14px), 1fr));
  }

  .columns .other {
    grid-column: span min(2, var(--columns));
  }

  @media (max-width: 460px) {
    .columns .other {
      grid-column: auto;
    }

    .columns {
      grid-template-columns: minmax(0, 1fr);
    }
  }

  .small {
    font-size: 0.9em;
  }

  .large {
    font-size: 1.15em;
  }

  .choice {
    display: flex;
    align-items: center;
    gap: 6px;
    min-height: var(--choice-height, 24px);
    min-width: 0;
    overflow-wrap: anywhere;
  }

  .mark {
    appearance: none;
    display: grid;
    place-items: center;
    width: 1.15em;
    height: 1.15em;
    min-width: 16px;
    min-height: 16px;
    border: 1.5px solid var(--color-edge);
    border-radius: 3px;
    background: var(--color-paper);
    color: var(--color-river);
    flex: none;
  }

  .mark.round {
    border-radius: 50%;
  }

  .mark.round:checked {
    border: 5px solid var(--color-river);
  }

  .mark:not(.round):checked {
    border-color: var(--color-river);
  }

  .mark:not(.round):checked::after {
    content: "";
    width: 0.62em;
    height: 0.62em;
    background: currentColor;
    clip-path: inset(0);
  }

  .mark.tick:checked::after {
    clip-path: polygon(8% 52%, 0 62%, 38% 100%, 100% 14%, 88% 4%, 37% 76%);
    width: 0.8em;
    height: 0.8em;
  }

  .mark.cross:checked::after {
    clip-path: polygon(
      14% 0,
      50% 36%,
      86% 0,
      100% 14%,
      64% 50%,
      100% 86%,
      86% 100%,
      50% 64%,
      14% 100%,
      0 86%,
      36% 50%,
      0 14%
    );
    width: 0.75em;
    height: 0.75em;
  }

  .mark:disabled {
    opacity: 0.6;
  }

  .words {
    border: 1px solid var(--color-edge);
    border-radius: var(--radius-md);
    background: var(--color-paper);
    padding: 3px 8px;
    min-width: 0;
    width: 16ch;
  }

  .buttons {
    gap: 6px;
  }

  .buttons .choice {
    position: relative;
    border: 1px solid var(--color-edge);
    border-radius: var(--radius-md);
    padding: 5px 13px;
    cursor: pointer;
    min-height: var(--control-height, 32px);
    background: var(--color-paper);
  }

  .buttons label.choice .mark {
    position: absolute;
    inset: 0;
    opacity: 0;
    width: 100%;
    height: 100%;
    pointer-events: none;
  }

  .buttons .choice:has(.mark:checked) {
    border-color: var(--color-river);
    background: var(--color-river-tint);
    box-shadow: inset 0 0 0 1px var(--color-river);
    font-weight: 600;
  }

  .buttons .choice:has(.mark:focus-visible) {
    outline: 2px solid var(--color-river);
    outline-offset: 2px;
  }
</style>
