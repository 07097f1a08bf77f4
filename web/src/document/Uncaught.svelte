<script lang="ts">
  import { uncaught } from "./uncaught.svelte";
</script>

{#if uncaught.message}
  <div
    role="alert"
    class="fixed inset-x-0 bottom-0 z-50 flex flex-wrap items-center justify-center gap-3 border-t bg-clay-tint px-4 py-2.5 text-[14px] text-clay"
  >
    <span>{uncaught.message}</span>
    <button class="button py-0.5" onclick={() => location.reload()}>Load the page again</button>
    <button class="button py-0.5" onclick={() => (uncaught.message = "")}>Close</button>
  </div>
{/if}
