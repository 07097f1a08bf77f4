<script lang="ts">
  import type { Snippet } from "svelte";
  import type { ClassValue } from "svelte/elements";
  import Button from "./Button.svelte";
  import type { ButtonLook, ControlSize } from "./looks";

  let {
    accept,
    onfile,
    several = false,
    look,
    size,
    class: place,
    children,
  }: {
    /** The endings or types of the files that are taken. */
    accept: string;
    onfile: (file: File) => unknown;
    /** Whether several can be chosen at once. */
    several?: boolean;
    look?: ButtonLook;
    size?: ControlSize;
    class?: ClassValue;
    children: Snippet;
  } = $props();

  let chooser: HTMLInputElement;

  function chosen() {
    const files = [...(chooser.files ?? [])];
    // The same file may be chosen once more.
    chooser.value = "";
    files.forEach((file) => void onfile(file));
  }
</script>

<!-- A button that asks for a file, or for several. -->
<Button {look} {size} class={place} onclick={() => chooser.click()}>{@render children()}</Button>
<input
  bind:this={chooser}
  type="file"
  class="hidden"
  multiple={several}
  {accept}
  tabindex="-1"
  aria-hidden="true"
  onchange={chosen}
/>
