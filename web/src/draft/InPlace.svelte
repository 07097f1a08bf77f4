<script lang="ts">
  import Banded from "../document/Banded.svelte";
  import FieldControl from "../document/FieldControl.svelte";
  import { question } from "../document/labels";
  import { workingCopy } from "./context";
  import EditableText from "./EditableText.svelte";

  let { key }: { key: string } = $props();

  const copy = workingCopy();
  const view = $derived(copy.view(key));
  const node = $derived(view.node);
  const stand = $derived(view.state);
  const isSelected = $derived(copy.selected === key);
  const typed = $derived(copy.answers[key] ?? "");
  const relabel = (label: string) => copy.edit({ type: "relabel", key, label });
  const suffix = $derived(node.type === "field" ? question(node).slice(node.label.length) : "");
  const id = $derived(`a-${key}`);
</script>

{#if node.type === "field" && stand.type === "field"}
  <div id={`${id}-label`} class="flex items-baseline leading-6 font-semibold">
    {#if isSelected}
      <span class="min-w-0"><EditableText value={node.label} label="Label" onchange={relabel} /></span>
    {:else}
      <span class="break-words">{node.label}</span>
    {/if}
    <span>{suffix}</span>
    {#if stand.required}<span class="pl-1 text-clay" title="required">*</span>{/if}
  </div>
  {#key stand.editable}
    <FieldControl
      field={node}
      state={stand}
      {typed}
      {id}
      describedBy={stand.problem ? `${id}-error` : undefined}
      labelledBy={`${id}-label`}
      invalid={!!stand.problem}
      ontyped={(text) => copy.tryOut(key, text)}
    />
  {/key}
  {#if stand.problem}<p id={`${id}-error`} class="trouble mt-1 text-[12.5px]">{stand.problem}</p>{/if}
  {#if node.help}<p class="soft mt-1 text-[12.5px]">{node.help}</p>{/if}
{:else if node.type === "notice"}
  <div class="border-l-[3px] border-straw-line bg-straw px-3 py-2 text-[13.5px] whitespace-pre-wrap">
    {#if isSelected}<EditableText
        value={node.text}
        label="Text of the notice"
        lines
        onchange={relabel}
      />{:else}{node.text}{/if}
  </div>
{:else if node.type === "indicator" && stand.type === "indicator"}
  <div class="leading-6 font-semibold">
    {#if isSelected}<EditableText
        value={node.label}
        label="Label"
        placeholder="Without a label"
        onchange={relabel}
      />{:else}{node.label}{/if}
  </div>
  {#if stand.band}
    <Banded bands={node.bands} band={stand.band} />
  {:else}
    <p class="soft">Nothing while {copy.nodes.get(node.follows)?.name} is blank.</p>
  {/if}
{/if}
