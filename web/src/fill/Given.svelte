<script lang="ts">
  import type { Field, NodeStateFieldState } from "../api/types";
  import { amount, choicesOf, typedOf } from "../document/answers";
  import { lookClass, lookStyle } from "../document/looks";
  import { question } from "../document/labels";
  import Signed from "../document/Signed.svelte";

  let { field, stand, typed }: { field: Field; stand: NodeStateFieldState; typed: string | undefined } =
    $props();

  const text = $derived.by(() => {
    const { value } = stand;
    if (value.type === "blank") return "";
    if (value.type === "yesNo") return value.yes ? "Yes" : "No";
    if (value.type === "files") return value.files.map(({ name }) => name).join(", ");
    if (value.type === "paid") return "Paid";
    if (value.type === "number" && field.kind.type === "money")
      return amount(field.kind.currency, value.number);
    const names = choicesOf(field.kind, stand.offered);
    const label = (id: string) => names.find((it) => it.id === id)?.label ?? id;
    if (value.type === "chosen") return value.words || label(value.choice);
    if (value.type === "chosenSet")
      return value.choices.map((id) => (id === "other" && value.words ? value.words : label(id))).join(", ");
    return typedOf(value);
  });
</script>

<!-- What somebody else answered, to be read only. -->
<div class="text-sheet">
  <div class="soft text-chrome">{question(field)}</div>
  {#if stand.value.type === "signed"}
    <Signed typed={typed ?? ""} label={field.label} />
  {:else if text}
    <div class={["whitespace-pre-wrap", lookClass(stand.look)]} style={lookStyle(stand.look)}>{text}</div>
  {:else}
    <div class="soft">Not answered yet</div>
  {/if}
</div>
