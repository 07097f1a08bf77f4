<script lang="ts">
  import Flowbite from "flowbite-svelte/Alert.svelte";
  import type { ClassValue } from "svelte/elements";
  import type { Asking } from "../api/asking.svelte";
  import Button from "./Button.svelte";

  let { asking, class: place }: { asking: Asking; class?: ClassValue } = $props();

  /** It stands there at once: what went wrong is no place for motion. */
  const STILL = { color: "none" as never, rounded: false, border: false, params: { duration: 0 } };
</script>

<!-- What came of what the server was asked: what went wrong, and a way to ask once more where that may help. -->
{#if asking.trouble}
  <Flowbite {...STILL} class={["trouble p-0 text-chrome", place]}>
    {asking.trouble.message}
    {#if asking.mayAgain}<Button look="underlined" onclick={asking.again}>Try again</Button>{/if}
  </Flowbite>
{:else if asking.done}
  <Flowbite
    {...STILL}
    role="status"
    class={["w-fit rounded-md border bg-moss-tint px-4 py-2 text-chrome text-ink", place]}
  >
    {asking.done}
  </Flowbite>
{/if}
