<script lang="ts">
  import Flowbite from "flowbite-svelte/Input.svelte";
  import type { ClassValue, HTMLInputAttributes } from "svelte/elements";
  import { type ControlSize, INPUT_LOOKS, type InputLook } from "./looks";
  import { NO_STOCK } from "./stock";

  let {
    look = "usual",
    height = "usual",
    width,
    size,
    value = $bindable(),
    element = $bindable(),
    class: place,
    ...rest
  }: {
    look?: InputLook;
    height?: ControlSize;
    /** As CSS has it; without it as wide as the browser thinks right, or as what is written. */
    width?: string;
    /** So many letters wide; Flowbite's component knows another thing by this name. */
    size?: number;
    // eslint-disable-next-line @typescript-eslint/no-explicit-any -- as of the element: text, or a number where its type is that
    value?: any;
    element?: HTMLInputElement;
    class?: ClassValue;
  } & Omit<HTMLInputAttributes, "class" | "value" | "width" | "height" | "size"> = $props();

  const wide = $derived(width ?? (size ? `calc(${size}ch + 18px)` : undefined));

  /** Flowbite's component wants handlers that know nothing of the element, and no snippet but its own. */
  const passed = $derived(rest as Record<string, unknown>);
</script>

<Flowbite
  {...passed}
  {...NO_STOCK}
  bind:value
  bind:elementRef={element}
  style={wide ? `--width: ${wide}` : undefined}
  class={["typed-into", INPUT_LOOKS[look], height !== "usual" && height, place]}
/>
