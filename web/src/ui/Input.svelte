<script lang="ts">
  import Flowbite from "flowbite-svelte/Input.svelte";
  import type { ClassValue, HTMLInputAttributes } from "svelte/elements";
  import { type ControlSize, INPUT_LOOKS, type InputLook } from "./looks";
  import { NO_STOCK } from "./stock";

  let {
    look = "usual",
    height = "usual",
    width,
    value = $bindable(),
    element = $bindable(),
    class: place,
    ...rest
  }: {
    look?: InputLook;
    height?: ControlSize;
    /** As CSS has it; without it as wide as the browser thinks right, or as what is written. */
    width?: string;
    // eslint-disable-next-line @typescript-eslint/no-explicit-any -- as of the element: text, or a number where its type is that
    value?: any;
    element?: HTMLInputElement;
    class?: ClassValue;
  } & Omit<HTMLInputAttributes, "class" | "value" | "width" | "height"> = $props();

  /** Flowbite's component wants handlers that know nothing of the element, and no snippet but its own. */
  const passed = $derived(rest as Record<string, unknown>);
</script>

<Flowbite
  {...passed}
  {...NO_STOCK}
  bind:value
  bind:elementRef={element}
  style={width ? `--width: ${width}` : undefined}
  class={["typed-into", INPUT_LOOKS[look], height !== "usual" && height, place]}
/>
