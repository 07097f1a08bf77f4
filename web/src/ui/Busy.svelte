<script lang="ts">
  import Flowbite from "flowbite-svelte/Spinner.svelte";
  import type { Snippet } from "svelte";
  import type { ClassValue } from "svelte/elements";

  let {
    whole = false,
    class: place,
    children,
  }: { whole?: boolean; class?: ClassValue; children: Snippet } = $props();
</script>

<!-- What is being done and is not there yet: in words, beside something that turns where motion is wanted. -->
<p class={["busy", whole && "whole", place]} role="status">
  <Flowbite
    aria-hidden="true"
    color={"none" as never}
    size={"none" as never}
    class="size-[14px] shrink-0 fill-river text-line motion-reduce:hidden"
  />
  <span>{@render children()}</span>
</p>

<style>
  .busy {
    display: flex;
    align-items: center;
    gap: 8px;
    color: var(--color-soft);
  }

  .whole {
    justify-content: center;
    padding: 40px;
  }
</style>
