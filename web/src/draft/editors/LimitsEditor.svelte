<script lang="ts">
  import Alert from "../../ui/Alert.svelte";
  import Button from "../../ui/Button.svelte";
  import Input from "../../ui/Input.svelte";
  import type { Bound, Field, FieldKind } from "../../api/types";
  import { numeral } from "../conditions/clauses";
  import { workingCopy } from "../context";
  import EditorLine from "./EditorLine.svelte";

  let { field }: { field: Field } = $props();

  const copy = workingCopy();
  const kind = $derived(field.kind);
  let wrong = $state("");

  /** What changes of the kind; the rest stays as it is when the edit's turn has come. */
  type Part = Partial<Record<"lower" | "upper", Bound | null>> &
    Partial<Record<"decimals" | "longest", number>> &
    Partial<Record<"unit" | "currency" | "placeholder" | "region", string>> &
    Partial<Record<"earliest" | "latest", string | null>>;
  const set = (part: Part) =>
    copy.editNode(field.key, "field", (now) => ({
      type: "setKind",
      key: now.key,
      kind: { ...now.kind, ...part } as FieldKind,
    }));
  const value = (event: Event) => (event.currentTarget as HTMLInputElement).value;

  function bound(event: Event, before: Bound | null, included: boolean, make: (to: Bound | null) => Part) {
    const typed = value(event).trim();
    const at = numeral(typed);
    wrong = typed && at === null ? `“${typed}” is not a number; write digits, like 120 or 12.5.` : "";
    if (!wrong)
      void set(make(at === null ? null : { at, included: before?.included ?? included, day: null }));
  }

  function whole(event: Event, most: number, make: (to: number) => Part) {
    const typed = value(event).trim();
    const number = typed === "" ? 0 : Number(typed);
    wrong =
      Number.isInteger(number) && number >= 0 && number <= most
        ? ""
        : `Write a whole number from 0 to ${most}.`;
    if (!wrong) void set(make(number));
  }
</script>

{#snippet limit(
  name: string,
  words: [string, string],
  limit: Bound | null,
  usual: boolean,
  make: (to: Bound | null) => Part,
)}
  <span class="flex items-center gap-1">
    <Button
      look="token"
      aria-label={`${name}: ${(limit?.included ?? usual) ? words[0] : words[1]}`}
      title="Whether exactly this value is accepted"
      onclick={() => limit && set(make({ ...limit, included: !limit.included }))}
      >{(limit?.included ?? usual) ? words[0] : words[1]}</Button
    >
    <Input
      look="token value"
      inputmode="decimal"
      size={6}
      placeholder="no limit"
      aria-label={name}
      shows={limit?.at ?? ""}
      onchange={(event) => bound(event, limit, usual, make)}
    />
  </span>
{/snippet}

{#if kind.type === "number" || kind.type === "money"}
  <EditorLine title="Limits">
    <div class="flex flex-wrap items-center gap-x-3 gap-y-1">
      {@render limit("Lower limit", ["at least", "more than"], kind.lower, true, (lower) => ({
        ...kind,
        lower,
      }))}
      {@render limit("Upper limit", ["at most", "less than"], kind.upper, true, (upper) => ({
        ...kind,
        upper,
      }))}
      {#if kind.type === "number"}
        <label class="soft flex items-center gap-1"
          >decimals <Input
            look="token value"
            inputmode="numeric"
            size={2}
            shows={kind.decimals}
            onchange={(event) => whole(event, 10, (decimals) => ({ decimals }))}
          /></label
        >
        <label class="soft flex items-center gap-1"
          >unit <Input
            look="token value"
            size={5}
            maxlength={20}
            shows={kind.unit}
            onchange={(event) => set({ unit: value(event).trim() })}
          /></label
        >
      {:else}
        <label class="soft flex items-center gap-1"
          >currency <Input
            look="token value"
            size={4}
            maxlength={3}
            shows={kind.currency}
            onchange={(event) => set({ currency: value(event).trim().toUpperCase() })}
          /></label
        >
      {/if}
    </div>
    {#if wrong}<Alert class="text-xs">{wrong}</Alert>{/if}
  </EditorLine>
{:else if kind.type === "date"}
  <EditorLine title="Limits">
    <div class="flex flex-wrap items-center gap-x-3 gap-y-1">
      <label class="soft flex items-center gap-1"
        >from <Input
          look="token value"
          type="date"
          shows={kind.earliest ?? ""}
          onchange={(event) => set({ earliest: value(event) || null })}
        /></label
      >
      <label class="soft flex items-center gap-1"
        >to <Input
          look="token value"
          type="date"
          shows={kind.latest ?? ""}
          onchange={(event) => set({ latest: value(event) || null })}
        /></label
      >
    </div>
  </EditorLine>
{:else if kind.type === "phone"}
  <EditorLine title="Limits">
    <label class="soft flex items-center gap-1">
      numbers of <Input
        look="token value"
        size={8}
        maxlength={2}
        placeholder="anywhere"
        shows={kind.region}
        onchange={(event) => set({ region: value(event).trim().toUpperCase() })}
      /> need no country code
    </label>
  </EditorLine>
{:else if kind.type === "text" || kind.type === "longText"}
  <EditorLine title="Limits">
    <div class="flex flex-wrap items-center gap-x-3 gap-y-1">
      <label class="soft flex items-center gap-1"
        >at most <Input
          look="token value"
          inputmode="numeric"
          size={6}
          placeholder="no limit"
          shows={kind.longest || ""}
          onchange={(event) => whole(event, 100_000, (longest) => ({ longest }))}
        /> characters</label
      >
      <label class="soft flex items-center gap-1"
        >example <Input
          look="token"
          size={14}
          shows={kind.placeholder}
          onchange={(event) => set({ placeholder: value(event).trim() })}
        /></label
      >
    </div>
    {#if wrong}<Alert class="text-xs">{wrong}</Alert>{/if}
  </EditorLine>
{/if}
