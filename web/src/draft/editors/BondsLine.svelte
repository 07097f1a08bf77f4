<script lang="ts">
  import Button from "../../ui/Button.svelte";
  import { workingCopy } from "../context";
  import EditorLine from "./EditorLine.svelte";

  let {
    key,
    besides = "",
  }: {
    key: string;
    /** What it follows that is told elsewhere. */
    besides?: string;
  } = $props();

  const copy = workingCopy();
  const bond = $derived(copy.view(key).bond);
  const follows = $derived(bond.follows.filter((it) => it !== besides));
  const MOST = 12;
</script>

{#snippet names(keys: string[])}
  {#each keys.slice(0, MOST) as each (each)}
    <Button look="token field" onclick={() => copy.select(each, true)}
      >{copy.nodes.get(each)?.name ?? each}</Button
    >
  {/each}
  {#if keys.length > MOST}<span class="soft">and {keys.length - MOST} more</span>{/if}
{/snippet}

{#if follows.length}
  <EditorLine title="Follows">{@render names(follows)}</EditorLine>
{/if}
{#if bond.followers.length}
  <EditorLine title="Followed by">{@render names(bond.followers)}</EditorLine>
{/if}
