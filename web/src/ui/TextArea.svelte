<script lang="ts">
  import Flowbite from "flowbite-svelte/Textarea.svelte";
  import type { ClassValue, HTMLTextareaAttributes } from "svelte/elements";
  import { INPUT_LOOKS, type InputLook } from "./looks";

  let {
    look = "usual",
    value = $bindable(),
    class: place,
    ...rest
  }: { look?: InputLook; value?: string; class?: ClassValue } & Omit<
    HTMLTextareaAttributes,
    "class" | "value"
  > = $props();
</script>

<Flowbite
  {...rest}
  bind:value
  classes={{ div: "contents", wrapper: ["typed-into", INPUT_LOOKS[look], place] }}
/>
