<script lang="ts">
  import Flowbite from "flowbite-svelte/Checkbox.svelte";
  import type { ClassValue, HTMLInputAttributes } from "svelte/elements";

  let {
    checked = $bindable(false),
    class: place,
    ...rest
  }: { checked?: boolean; class?: ClassValue } & Omit<
    HTMLInputAttributes,
    "class" | "checked" | "color" | "type" | "children"
  > = $props();
</script>

<!-- A box to tick; its words stand beside it, in the label around both. -->
<Flowbite
  {...rest}
  color={"none" as never}
  bind:checked
  class={["me-0 size-[13px] shrink-0 accent-river focus:ring-0", place]}
/>
