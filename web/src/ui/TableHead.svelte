<script lang="ts">
  import Flowbite from "flowbite-svelte/TableHeadCell.svelte";
  import type { Snippet } from "svelte";
  import Button from "./Button.svelte";

  let {
    children,
    numeric = false,
    outer = false,
    title,
    sorted,
    onsort,
  }: {
    children: Snippet;
    /** Whether numbers stand below it, which end where it ends. */
    numeric?: boolean;
    /** Whether it is the first or last, beside the frame. */
    outer?: boolean;
    title?: string;
    /** How the lines are sorted by it; undefined where they cannot be. */
    sorted?: "ascending" | "descending" | "none";
    onsort?: () => void;
  } = $props();

  const ARROWS = { ascending: "↑", descending: "↓", none: "" };
</script>

<Flowbite
  class={[
    "py-2.5 font-semibold whitespace-nowrap",
    outer ? "px-5" : "px-3",
    numeric ? "text-right" : "text-left",
  ]}
  aria-sort={sorted}
  {title}
>
  {#if sorted}
    <Button look="bare" class="hover:text-ink" onclick={onsort}
      >{@render children()}<span aria-hidden="true" class="inline-block w-3 text-center"
        >{ARROWS[sorted]}</span
      ></Button
    >
  {:else}
    {@render children()}
  {/if}
</Flowbite>
