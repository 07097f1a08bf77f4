<script lang="ts">
  import Button from "../ui/light/Button.svelte";
  import { uncaught } from "./uncaught.svelte";
</script>

{#if uncaught.message}
  <div
    role="alert"
    class="fixed inset-x-0 bottom-0 z-50 flex flex-wrap items-center justify-center gap-3 border-t bg-clay-tint px-4 py-2.5 text-sheet text-clay"
  >
    <span>{uncaught.message}</span>
    <Button size="low" onclick={() => location.reload()}>Load the page again</Button>
    <Button size="low" onclick={() => (uncaught.message = "")}>Close</Button>
  </div>
{/if}
