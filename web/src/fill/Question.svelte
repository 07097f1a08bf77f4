<script lang="ts">
  import type { Field, NodeStateFieldState } from "../api/types";
  import FieldControl from "../document/FieldControl.svelte";
  import { question } from "../document/labels";

  let {
    field,
    stand,
    typed,
    message,
    ontyped,
    onleave,
  }: {
    field: Field;
    stand: NodeStateFieldState;
    typed: string;
    message: string;
    ontyped: (text: string) => void;
    onleave: () => void;
  } = $props();

  const id = $derived(`f-${field.key}`);
  const band = $derived(field.bands.find((it) => it.id === stand.band)?.label ?? "");
  const describedBy = $derived(
    [message && `${id}-error`, band && `${id}-band`, field.help && `${id}-help`].filter(Boolean).join(" ") ||
      undefined,
  );
  const isGroup = $derived(
    field.kind.type === "yesNo" || (field.kind.type === "oneChoice" && field.kind.layout === "marks"),
  );
</script>

{#snippet label()}
  {question(field)}{#if stand.required}<span class="text-clay" aria-hidden="true">&nbsp;*</span>{/if}
{/snippet}

<div class="question" data-key={field.key}>
  {#if isGroup}
    <span id={`${id}-label`} class="mb-1 block text-[14.5px] font-semibold">{@render label()}</span>
  {:else}
    <label id={`${id}-label`} for={id} class="mb-1 block text-[14.5px] font-semibold">{@render label()}</label
    >
  {/if}
  <FieldControl {field} state={stand} {typed} {id} {describedBy} invalid={!!message} {ontyped} {onleave} />
  {#if message}<p id={`${id}-error`} class="trouble mt-1">{message}</p>{/if}
  {#if band}<p id={`${id}-band`} class="mt-1">{band}</p>{/if}
  {#if field.help}<p id={`${id}-help`} class="soft mt-1">{field.help}</p>{/if}
  {#if !stand.editable}<p class="soft mt-1">Locked for now.</p>{/if}
</div>

<style>
  .question {
    --control-height: 42px;
    --control-size: 16px;
    font-size: 14px;
    scroll-margin: 90px;
  }

  @media (pointer: coarse) {
    .question {
      --choice-height: 40px;
    }
  }
</style>
