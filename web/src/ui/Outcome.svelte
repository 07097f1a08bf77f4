<script lang="ts">
  import type { ClassValue } from "svelte/elements";
  import type { Asking } from "../api/asking.svelte";
  import Alert from "./Alert.svelte";
  import Button from "./Button.svelte";

  let { asking, class: place }: { asking: Asking; class?: ClassValue } = $props();
</script>

<!-- What came of what the server was asked: what went wrong, and a way to ask once more where that may help. -->
{#if asking.trouble}
  <Alert class={place}>
    {asking.trouble.message}
    {#if asking.mayAgain}<Button look="underlined" onclick={asking.again}>Try again</Button>{/if}
  </Alert>
{:else if asking.done}
  <Alert look="done" class={place}>{asking.done}</Alert>
{/if}
