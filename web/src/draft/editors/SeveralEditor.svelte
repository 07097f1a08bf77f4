<script lang="ts">
  import { withKeys } from "../shortcuts";
  import Button from "../../ui/Button.svelte";
  import { ASPECTS, aspectsOf } from "../../api/aspects";
  import type { Aspect, Width } from "../../api/types";
  import AspectLine from "./AspectLine.svelte";
  import { conditionOf } from "../conditions/clauses";
  import { workingCopy } from "../context";
  import EditorLine from "./EditorLine.svelte";
  import MediumEditor from "./MediumEditor.svelte";
  import RefusedEdit from "./RefusedEdit.svelte";

  const copy = workingCopy();
  const keys = $derived(copy.chosen);
  const nodes = $derived(keys.map((key) => copy.view(key).node));
  const allFields = $derived(nodes.every(({ type }) => type === "field"));
  /** What all of them have. */
  const aspects = $derived(
    aspectsOf(nodes[0]!).filter((it) => nodes.every((node) => aspectsOf(node).includes(it))),
  );
  /** Where each of them stands; empty where some cannot say. */
  const media = $derived(
    nodes.every((node) => "medium" in node)
      ? nodes.map((node) => ("medium" in node ? node.medium : "both"))
      : [],
  );
  const WIDTHS: Width[] = ["full", "half", "third"];

  /** The condition of all of them; of those that differ none is told. */
  function common(aspect: Aspect) {
    const [first, ...rest] = nodes.map((node) => conditionOf(node, aspect));
    const text = JSON.stringify(first);
    return rest.every((it) => JSON.stringify(it) === text)
      ? { same: true, condition: first ?? null }
      : { same: false, condition: null };
  }
</script>

<section class="editor-card" aria-label={`${keys.length} selected`}>
  <h3 class="mb-1.5 text-sm font-semibold">{keys.length} selected</h3>
  <p class="soft mb-1 text-note">{keys.map((key) => copy.view(key).name).join(", ")}</p>
  <RefusedEdit />
  {#each aspects as aspect (aspect)}
    {@const { same, condition } = common(aspect)}
    {#if !same}<p class="soft text-note">
        They differ in when they are {ASPECTS[aspect].title.toLowerCase()}; what is set here is for all.
      </p>{/if}
    <AspectLine {keys} {aspect} {condition} />
  {/each}
  {#if media.length}
    <MediumEditor
      {keys}
      medium={media.every((it) => it === media[0]) ? media[0]! : null}
      asked={nodes.some(({ type }) => type === "field")}
    />
  {/if}
  {#if allFields}
    <EditorLine title="Width">
      {#each WIDTHS as width (width)}
        <Button
          look="token"
          onclick={() => keys.forEach((key) => void copy.edit({ type: "setWidth", key, width }))}
          >{width}</Button
        >
      {/each}
    </EditorLine>
  {/if}
  <footer class="flex flex-wrap gap-1 border-t border-hairline pt-2">
    <Button look="token" onclick={() => copy.make({ type: "duplicate", keys, holder: null, after: null })}
      >Duplicate</Button
    >
    <Button look="token" title={withKeys("Copy", "copy")} onclick={() => copy.copyChosen()}>Copy</Button>
    {#if copy.clip.length}
      <Button look="token" title={withKeys("Paste logic", "pasteLogic")} onclick={() => copy.pasteLogic()}
        >Paste the logic of {copy.nodes.get(copy.clip[0]!)?.name}</Button
      >
    {/if}
    <Button
      look="token"
      class="ml-auto"
      onclick={() => copy.edit({ type: "delete", keys, dropFollowers: false })}>Delete</Button
    >
  </footer>
</section>
