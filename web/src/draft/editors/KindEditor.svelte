<script lang="ts">
  import Button from "../../ui/Button.svelte";
  import Input from "../../ui/Input.svelte";
  import Select from "../../ui/Select.svelte";
  import type { Field, FieldKind } from "../../api/types";
  import { workingCopy } from "../context";
  import LookupEditor from "./LookupEditor.svelte";
  import OfferEditor from "./OfferEditor.svelte";
  import EditorLine from "./EditorLine.svelte";
  import FormulaInput from "../conditions/FormulaInput.svelte";

  let { field }: { field: Field } = $props();

  const copy = workingCopy();
  const kind = $derived(field.kind);
  const set = (part: object) =>
    copy.editNode(field.key, "field", (now) => ({
      type: "setKind",
      key: now.key,
      kind: { ...now.kind, ...part } as FieldKind,
    }));
  const text = (event: Event) => (event.currentTarget as HTMLInputElement).value.trim();
  const whole = (event: Event, otherwise: number) => {
    const number = (event.currentTarget as HTMLInputElement).valueAsNumber;
    return Number.isInteger(number) ? number : otherwise;
  };
</script>

{#snippet number(words: string, value: number, least: number, name: string)}
  <label class="soft inline-flex items-center gap-1"
    >{words}
    <Input
      look="token value"
      width="4rem"
      type="number"
      min={least}
      {value}
      onchange={(event) => set({ [name]: whole(event, value) })}
    /></label
  >
{/snippet}

{#if kind.type === "rating"}
  <EditorLine title="Scale">{@render number("from 1 to", kind.most, 2, "most")}</EditorLine>
{:else if kind.type === "severalChoices"}
  <EditorLine title="How many">
    {@render number("at least", kind.least, 0, "least")}
    {@render number("at most (0: any)", kind.most, 0, "most")}
  </EditorLine>
{:else if kind.type === "attachment"}
  <EditorLine title="Files">
    {@render number("at most", kind.most, 1, "most")}
    {@render number("each up to MB", kind.largest, 1, "largest")}
    <label class="soft inline-flex items-center gap-1"
      >endings
      <Input
        look="token value"
        size={12}
        placeholder="all"
        shows={kind.endings.join(", ")}
        onchange={(event) =>
          set({
            endings: text(event)
              .toLowerCase()
              .split(/[\s,.]+/)
              .filter(Boolean),
          })}
      /></label
    >
  </EditorLine>
{:else if kind.type === "picture"}
  <EditorLine title="Picture">{@render number("up to MB", kind.largest, 1, "largest")}</EditorLine>
{:else if kind.type === "payment"}
  <EditorLine title="Amount">
    <Input
      look="token value"
      aria-label="Currency"
      size={4}
      maxlength={3}
      shows={kind.currency}
      onchange={(event) => set({ currency: text(event).toUpperCase() })}
    />
    <FormulaInput
      label="Formula of the amount"
      rows={copy.around(field.key)}
      value={kind.amount}
      placeholder="such as 40 + 2 * depth"
      onwrite={(amount) => set({ amount })}
    />
  </EditorLine>
{:else if kind.type === "time"}
  <EditorLine title="Limits">
    <label class="soft inline-flex items-center gap-1"
      >from
      <Input
        look="token value"
        type="time"
        shows={kind.earliest ?? ""}
        onchange={(event) => set({ earliest: text(event) || null })}
      /></label
    >
    <label class="soft inline-flex items-center gap-1"
      >to
      <Input
        look="token value"
        type="time"
        shows={kind.latest ?? ""}
        onchange={(event) => set({ latest: text(event) || null })}
      /></label
    >
  </EditorLine>
{/if}
{#if kind.type === "lookup"}<LookupEditor {field} {kind} />{/if}
{#if kind.type === "oneChoice" || kind.type === "severalChoices"}
  <OfferEditor {field} {kind} />
  <EditorLine title="Marks">
    <label class="soft inline-flex items-center gap-1"
      >columns
      <Input
        look="token value"
        width="3.5rem"
        type="number"
        min="0"
        max="6"
        shows={kind.style.columns}
        onchange={(event) => set({ style: { ...kind.style, columns: whole(event, kind.style.columns) } })}
      /></label
    >
    <Select
      look="token value"
      aria-label="Shape of the marks"
      value={kind.style.mark}
      onchange={(event) => set({ style: { ...kind.style, mark: text(event) } })}
    >
      {#each ["usual", "round", "square", "tick", "cross"] as each (each)}<option value={each}
          >{each} mark</option
        >{/each}
    </Select>
    <Select
      look="token value"
      aria-label="Size of the marks"
      value={kind.style.size}
      onchange={(event) => set({ style: { ...kind.style, size: text(event) } })}
    >
      {#each ["small", "medium", "large"] as each (each)}<option value={each}>{each}</option>{/each}
    </Select>
    <Button look="token" pressed={kind.other} onclick={() => set({ other: !kind.other })}
      >other, in own words</Button
    >
  </EditorLine>
{/if}
