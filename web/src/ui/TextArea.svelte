<script lang="ts">
  import Flowbite from "flowbite-svelte/Textarea.svelte";
  import type { ClassValue, HTMLTextareaAttributes } from "svelte/elements";
  import { INPUT_LOOKS, type InputLook } from "./looks";

  let {
    look = "usual",
    value = $bindable(),
    shows,
    class: place,
    ...rest
  }: {
    look?: InputLook;
    value?: string;
    /** What stands in it, where that is not bound; see `Input`. */
    shows?: string;
    class?: ClassValue;
  } & Omit<HTMLTextareaAttributes, "class" | "value"> = $props();

  const given = $derived(shows);
  let written = $state<string>();
  $effect.pre(() => void (written = given));
</script>

<Flowbite
  {...rest}
  bind:value={
    () => (shows === undefined ? value : written),
    (now) => (shows === undefined ? (value = now) : (written = now))
  }
  classes={{ div: "contents", wrapper: ["typed-into", INPUT_LOOKS[look], place] }}
/>
