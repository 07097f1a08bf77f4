<script lang="ts">
  import Button from "../../ui/Button.svelte";
  import type { Overlay, OverlayShape } from "../../api/types";
  import { workingCopy } from "../context";
  import EditableText from "../desk/EditableText.svelte";
  import EditorLine from "./EditorLine.svelte";

  let { overlay }: { overlay: Overlay } = $props();

  const copy = workingCopy();
  const SHAPES: [OverlayShape, string][] = [
    ["stroke", "struck out"],
    ["ring", "ringed"],
    ["cover", "covered"],
  ];
  const { key } = $derived(overlay);
</script>

<!-- What is drawn over printed words. -->
<EditorLine title="Name">
  {#key key}<EditableText
      value={overlay.label}
      label="Name"
      placeholder="What it says to who cannot see it"
      onchange={(label) => copy.edit({ type: "relabel", key, label })}
    />{/key}
</EditorLine>
<EditorLine title="Words are">
  <span role="group" aria-label="How printed words are drawn over">
    {#each SHAPES as [shape, words] (shape)}
      <Button
        look="token"
        pressed={shape === overlay.shape}
        onclick={() =>
          copy.editNode(key, "overlay", (now) => ({ type: "setOverlay", key, shape, words: now.words }))}
        >{words}</Button
      >
    {/each}
  </span>
</EditorLine>
{#if overlay.shape === "cover"}
  <EditorLine title="Instead">
    {#key key}<EditableText
        value={overlay.words}
        label="What stands there instead"
        placeholder="Nothing, or words such as “not applicable”"
        onchange={(words) =>
          copy.editNode(key, "overlay", (now) => ({ type: "setOverlay", key, shape: now.shape, words }))}
      />{/key}
  </EditorLine>
{/if}
