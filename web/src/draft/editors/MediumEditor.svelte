<script lang="ts">
  import Button from "../../ui/Button.svelte";
  import type { Medium } from "../../api/types";
  import { workingCopy } from "../context";
  import EditorLine from "./EditorLine.svelte";

  let {
    keys,
    medium,
    asked = false,
  }: { keys: string[]; /** Null where they differ. */ medium: Medium | null; asked?: boolean } = $props();

  const copy = workingCopy();
  const MEDIA: { id: Medium; label: string }[] = [
    { id: "both", label: "while filling and in the document" },
    { id: "filling", label: "while filling only" },
    { id: "document", label: "in the document only" },
  ];
  /** What is asked has to be asked. */
  const offered = $derived(MEDIA.filter(({ id }) => !asked || id !== "document" || medium === "document"));
</script>

<EditorLine title="Stands">
  <span role="group" aria-label="Stands">
    {#each offered as { id, label } (id)}
      <Button
        look="token"
        pressed={medium === id}
        onclick={() => copy.edit({ type: "setMedium", keys, medium: id })}>{label}</Button
      >
    {/each}
  </span>
</EditorLine>
