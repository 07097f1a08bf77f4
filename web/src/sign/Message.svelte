<script lang="ts">
  import type { Snippet } from "svelte";

  let { title, text, children }: { title: string; text: string; children?: Snippet } = $props();

  let heading: HTMLElement;
  $effect(() => heading.focus());
</script>

<main class="mx-auto max-w-[620px] px-4 py-10 sm:py-16">
  <div class="rounded-xl border bg-paper px-6 py-9 sm:px-10">
    <h1 bind:this={heading} tabindex="-1" class="text-2xl font-semibold outline-none">{title}</h1>
    {#if text}<p class="mt-3 text-reading" role="status">{text}</p>{/if}
    {#if children}<div class="mt-6">{@render children()}</div>{/if}
  </div>
</main>
