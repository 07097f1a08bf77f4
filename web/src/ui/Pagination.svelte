<script lang="ts">
  import Button from "./Button.svelte";
  let {
    page,
    size,
    found,
    what,
    ongo,
  }: {
    page: number;
    size: number;
    found: number;
    /** What is listed, in words. */
    what: string;
    ongo: (page: number) => void;
  } = $props();

  const last = $derived(Math.max(0, Math.ceil(found / size) - 1));
  const number = (n: number) => n.toLocaleString("en");
</script>

<!-- The way through a list that is shown a page at a time; nothing where one page shows all. -->
{#if last > 0}
  <nav class="mt-3 flex items-center justify-center gap-3" aria-label={`Pages of ${what}`}>
    <Button disabled={page === 0} onclick={() => ongo(page - 1)}>Before</Button>
    <span class="soft" role="status"
      >{number(page * size + 1)} to {number(Math.min(found, (page + 1) * size))} of {number(found)}</span
    >
    <Button disabled={page >= last} onclick={() => ongo(page + 1)}>After</Button>
  </nav>
{/if}
