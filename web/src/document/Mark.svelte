<script lang="ts">
  import type { Mark } from "../api/types";

  let { mark }: { mark: Mark } = $props();
</script>

<!-- Our own signs, drawn in the colour of the text beside them; the words say the same. -->
{#if mark !== "none"}
  <svg
    width="15"
    height="15"
    viewBox="0 0 16 16"
    fill="none"
    stroke="currentColor"
    stroke-width="1.7"
    stroke-linecap="round"
    stroke-linejoin="round"
    aria-hidden="true"
    class="shrink-0"
  >
    {#if mark === "tick"}
      <path d="M2.5 8.5l3.6 3.8 7.4-8.4" />
    {:else if mark === "drop"}
      <path d="M8 1.8c2.6 3.3 4.4 5.4 4.4 8a4.4 4.4 0 0 1-8.8 0c0-2.6 1.8-4.7 4.4-8z" />
    {:else if mark === "eye"}
      <path d="M1.5 8c3.6-5.2 9.4-5.2 13 0-3.6 5.2-9.4 5.2-13 0z" /><circle cx="8" cy="8" r="1.9" />
    {:else if mark === "warning"}
      <path d="M8 2l6.6 11.700H1.400z" /><path d="M8 6.400v3.300M8 11.700v.1" />
    {:else}
      <circle cx="8" cy="8" r="6.2" /><path d="M4.8 8h6.4" />
    {/if}
  </svg>
{/if}
