<script lang="ts">
  import Button from "../../ui/Button.svelte";
  import Input from "../../ui/Input.svelte";
  import type { Folding } from "../../api/types";
  import { workingCopy } from "../context";
  import EditorLine from "./EditorLine.svelte";

  let { keys, folding }: { keys: string[]; folding: Folding } = $props();

  const copy = workingCopy();
  const MOTIONS = ["none", "fade", "slide"] as const;
  const USUAL = 200;
  const set = (part: Partial<Folding>) =>
    copy.edit({ type: "setFolding", keys, folding: { ...folding, ...part } });
</script>

<EditorLine title="Folds">
  {#each MOTIONS as motion (motion)}
    <Button look="token" pressed={folding.motion === motion} onclick={() => set({ motion })}
      >{motion === "none" ? "at once" : motion}</Button
    >
  {/each}
  {#if folding.motion !== "none"}
    <label class="soft inline-flex items-center gap-1"
      >in
      <Input
        look="token value"
        width="4.5rem"
        type="number"
        min="0"
        max="2000"
        step="50"
        shows={folding.milliseconds || USUAL}
        onchange={(event) => {
          const milliseconds = event.currentTarget.valueAsNumber;
          if (Number.isInteger(milliseconds)) void set({ milliseconds });
        }}
      /> ms</label
    >
  {/if}
  <Button
    look="token"
    pressed={folding.keepsSpace}
    title="Its place stays empty while it is folded"
    onclick={() => set({ keepsSpace: !folding.keepsSpace })}>keeps its place</Button
  >
</EditorLine>
