<script lang="ts">
  import Button from "../../ui/Button.svelte";
  import TextArea from "../../ui/TextArea.svelte";
  import type { Field, FieldValue } from "../../api/types";
  import { workingCopy } from "../context";
  import EditorLine from "./EditorLine.svelte";
  import FormulaInput from "../conditions/FormulaInput.svelte";
  import Picker from "../../ui/Picker.svelte";

  let { field }: { field: Field } = $props();

  const copy = workingCopy();
  const WAYS = [
    { id: "none", label: "blank" },
    { id: "starting", label: "begins as …" },
    { id: "workedOut", label: "worked out …" },
  ];
  const now = $derived<string>(field.value?.type ?? "none");
  let beginning = $state<string | null>(null);
  const way = $derived(beginning ?? now);
  const text = $derived(
    field.value?.type === "starting"
      ? field.value.answer
      : field.value?.type === "workedOut"
        ? field.value.formula
        : "",
  );

  function set(value: FieldValue | null) {
    void copy.edit({ type: "setValue", key: field.key, value }).then((done) => done && (beginning = null));
  }

  /** The totals of what stands in other rows. */
  const totals = $derived(
    field.kind.type === "number" || field.kind.type === "money"
      ? [...copy.nodes.values()].flatMap(({ node, name }) => {
          const around = node.type === "field" ? copy.around(node.key) : null;
          const adds = node.type === "field" && (node.kind.type === "number" || node.kind.type === "money");
          return adds && around && around !== copy.around(field.key)
            ? [{ id: `total(${around}.${node.key})`, label: `total of ${name}` }]
            : [];
        })
      : [],
  );

  function pick(id: string) {
    if (id.startsWith("total(")) {
      beginning = null;
      return set({ type: "workedOut", formula: id, overtypable: false });
    }
    if (id === "none") {
      beginning = null;
      if (field.value) set(null);
    } else beginning = id;
  }

  function write(typed: string) {
    if (!typed.trim()) return;
    if (way === "starting") set({ type: "starting", answer: typed });
    else
      set({
        type: "workedOut",
        formula: typed,
        overtypable: field.value?.type === "workedOut" && field.value.overtypable,
      });
  }
</script>

<EditorLine title="Value">
  <Picker
    label="Value"
    text={WAYS.find(({ id }) => id === way)?.label ?? ""}
    options={[...WAYS, ...totals]}
    chosen={[way]}
    onpick={pick}
  />
  {#if way !== "none"}
    {#if way === "starting"}
      <TextArea
        look="token figure"
        class="key w-full resize-y [field-sizing:content]"
        rows={1}
        aria-label="What it begins as"
        placeholder="as it would be typed"
        spellcheck="false"
        shows={way === now ? text : ""}
        onchange={(event) => write(event.currentTarget.value)}
      />
    {:else}
      <FormulaInput
        label="Formula"
        rows={copy.around(field.key)}
        value={way === now ? text : ""}
        onwrite={write}
      />
    {/if}
  {/if}
  {#if field.value?.type === "workedOut" && way === "workedOut"}
    {@const { formula, overtypable } = field.value}
    <Button
      look="token"
      pressed={overtypable}
      onclick={() => set({ type: "workedOut", formula, overtypable: !overtypable })}>can be typed over</Button
    >
  {/if}
</EditorLine>
