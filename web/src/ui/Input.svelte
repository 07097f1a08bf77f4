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
    shows,
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
    /**
     * What stands in it, where that is not bound: what is being written stays when the same is given once more, as it is
     * with every answer of the server.
     */
    shows?: string | number | null;
    element?: HTMLInputElement;
    class?: ClassValue;
  } & Omit<HTMLInputAttributes, "class" | "value" | "width" | "height" | "size"> = $props();

  const given = $derived(shows);
  let written = $state<unknown>();
  $effect.pre(() => void (written = given));

  const wide = $derived(width ?? (size ? `calc(${size}ch + 18px)` : undefined));

  /** Flowbite's component wants handlers that know nothing of the element, and no snippet but its own. */
  const passed = $derived(rest as Record<string, unknown>);
</script>

<Flowbite
  {...passed}
  {...NO_STOCK}
  bind:value={
    () => (shows === undefined ? value : written),
    (now) => (shows === undefined ? (value = now) : (written = now))
  }
  bind:elementRef={element}
  style={wide ? `--width: ${wide}` : undefined}
  class={["typed-into", INPUT_LOOKS[look], height !== "usual" && height, place]}
/>
