<script lang="ts">
  import type { Snippet } from "svelte";
  import type { ClassValue } from "svelte/elements";
  import Button from "./Button.svelte";
  import type { ButtonLook, ControlSize } from "./looks";

  let {
    accept,
    onfile,
    look,
    size,
    class: place,
    children,
  }: {
    /** The endings or types of the files that are taken. */
    accept: string;
    onfile: (file: File) => unknown;
    look?: ButtonLook;
    size?: ControlSize;
    class?: ClassValue;
    children: Snippet;
  } = $props();

  let chooser: HTMLInputElement;

  function chosen() {
    const file = chooser.files?.[0];
    // The same file may be chosen once more.
    chooser.value = "";
    if (file) void onfile(file);
  }
</script>

<!-- A button that asks for a file. -->
<Button {look} {size} class={place} onclick={() => chooser.click()}>{@render children()}</Button>
<input
  bind:this={chooser}
  type="file"
  class="hidden"
  {accept}
  tabindex="-1"
  aria-hidden="true"
  onchange={chosen}
/>
