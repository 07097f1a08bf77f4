<script lang="ts">
  import Button from "../../ui/light/Button.svelte";
  import { address } from "../../document/answers";
  import Indicated from "../../document/Indicated.svelte";
  import FieldControl from "../../document/FieldControl.svelte";
  import { isProse, lookClass, lookStyle, PLAIN } from "../../document/looks";
  import Passages from "../../document/Passages.svelte";
  import PictureItem from "../../document/PictureItem.svelte";
  import { question } from "../../document/labels";
  import { workingCopy } from "../context";
  import EditableText from "./EditableText.svelte";
  import TextInPlace from "./TextInPlace.svelte";
  import WhyPanel from "../panels/WhyPanel.svelte";

  let { key, row = "" }: { key: string; row?: string } = $props();

  const copy = workingCopy();
  const view = $derived(copy.view(key));
  const node = $derived(view.node);
  const at = $derived(address(key, row));
  const stand = $derived(copy.stateOf(key, row) ?? view.state);
  const isSelected = $derived(copy.selected === key);
  const typed = $derived(copy.answers[at]);
  let asked = $state(false);
  const relabel = (label: string) => copy.edit({ type: "relabel", key, label });
  const suffix = $derived(node.type === "field" ? question(node).slice(node.label.length) : "");
  const id = $derived(`a-${at}`);
</script>

{#if node.type === "field" && stand.type === "field"}
  <div id={`${id}-label`} class={["leading-6 font-semibold", isSelected && "flex items-baseline"]}>
    {#if isSelected}
      <span class="min-w-0"><EditableText value={node.label} label="Label" onchange={relabel} /></span>
      <span>{suffix}</span>
    {:else}
      <span>{node.label}{suffix}</span>
    {/if}
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
      ontyped={(text) => copy.tryOut(at, text)}
    />
  {/key}
  {#if stand.problem}<p id={`${id}-error`} class="trouble mt-1 text-note">{stand.problem}</p>{/if}
  {#if node.help}<p class="soft mt-1 text-note">{node.help}</p>{/if}
  {#if !stand.editable && node.editable}
    <p class="soft mt-1 text-note">
      Locked.
      <Button look="underlined" aria-expanded={asked} onclick={() => (asked = !asked)}
        >Why<span class="sr-only"> is {node.label} locked</span></Button
      >
    </p>
    {#if asked}<WhyPanel {at} onclose={() => (asked = false)} />{/if}
  {/if}
{:else if node.type === "notice"}
  {@const look = stand.type === "notice" ? stand.look : PLAIN}
  <div
    class={[
      "text-chrome",
      isProse(node, look) ? "py-1" : "border-l-[3px] border-straw-line px-3 py-2",
      lookClass(look),
      !isProse(node, look) && look.shade === "plain" && !look.colours && "bg-straw",
    ]}
    style={lookStyle(look)}
  >
    {#if isSelected}<TextInPlace notice={node} />{:else if stand.type === "notice" && !stand.text.length}
      <p class="soft">{node.text ? "Says nothing with these answers" : "An empty text"}</p>
    {:else if stand.type === "notice"}
      <Passages text={stand.text} number={stand.number} />
    {/if}
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
    <Indicated indicator={node} band={stand.band} />
  {:else}
    <p class="soft"><bdi>Nothing while <bdi>{copy.nodes.get(node.follows)?.name}</bdi> is blank.</bdi></p>
  {/if}
{:else if node.type === "divider"}
  <hr class="my-2" />
{:else if node.type === "picture"}
  {#if isSelected}
    <EditableText
      value={node.label}
      label="What the picture shows"
      placeholder="What the picture shows, for those who cannot see it"
      onchange={relabel}
    />
  {/if}
  {#if node.file || (node.follows && copy.answers[node.follows])}
    <PictureItem picture={node} typed={copy.answers[node.follows] ?? ""} />
  {:else}
    <p class="soft">{node.label || "Picture"}: none chosen yet</p>
  {/if}
{/if}
