<script lang="ts">
  import { KINDS } from "../api/kinds";
  import type { Field, NodeStateFieldState } from "../api/types";
  import FieldControl from "../document/FieldControl.svelte";
  import { isGroup } from "../document/answers";
  import { question } from "../document/labels";

  let {
    field,
    at,
    stand,
    typed,
    message,
    ontyped,
    onleave,
  }: {
    field: Field;
    /** The address of the field: its key, in rows with the row. */
    at: string;
    stand: NodeStateFieldState;
    typed: string | undefined;
    message: string;
    ontyped: (text: string) => void;
    onleave: () => void;
  } = $props();

  const id = $derived(`f-${at}`);
  const band = $derived(field.bands.find((it) => it.id === stand.band)?.label ?? "");
  const describedBy = $derived(
    [message && `${id}-error`, band && `${id}-band`, field.help && `${id}-help`].filter(Boolean).join(" ") ||
      undefined,
  );
  const group = $derived(isGroup(field.kind));
</script>

{#snippet label()}
  {question(field)}{#if stand.required}<span class="text-clay" aria-hidden="true">&nbsp;*</span>{/if}
{/snippet}

<div class="question" data-key={at}>
  {#if group}
    <span id={`${id}-label`} class="mb-1 block text-sheet font-semibold">{@render label()}</span>
  {:else}
    <label id={`${id}-label`} for={id} class="mb-1 block text-sheet font-semibold">{@render label()}</label>
  {/if}
  <FieldControl {field} state={stand} {typed} {id} {describedBy} invalid={!!message} {ontyped} {onleave} />
  {#if message}<p id={`${id}-error`} class="trouble mt-1">{message}</p>{/if}
  {#if band}<p id={`${id}-band`} class="mt-1">{band}</p>{/if}
  {#if field.help}<p id={`${id}-help`} class="soft mt-1">{field.help}</p>{/if}
  {#if !stand.editable && field.value?.type !== "workedOut" && !KINDS[field.kind.type].given}
    <p class="soft mt-1">Locked for now.</p>
  {/if}
</div>

<style>
  .question {
    --control-height: 42px;
    --control-size: 16px;
    font-size: var(--text-sheet);
    scroll-margin: 90px;
  }

  @media (pointer: coarse) {
    .question {
      --choice-height: 40px;
    }
  }
</style>
