<script lang="ts">
  import Flowbite from "flowbite-svelte/Button.svelte";
  import type { Snippet } from "svelte";
  import type { ClassValue, HTMLButtonAttributes } from "svelte/elements";
  import { BUTTON_LOOKS, type ButtonLook, type ControlSize } from "./looks";
  import { NO_STOCK } from "./stock";

  let {
    look = "usual",
    size = "usual",
    pressed,
    class: place,
    children,
    ...rest
  }: {
    look?: ButtonLook;
    size?: ControlSize;
    /** Whether it is on, of a button that stays so until it is pressed again. */
    pressed?: boolean;
    /** Where it stands; what it looks like is `look`. */
    class?: ClassValue;
    /** Where it leads: it is a link then. */
    href?: string;
    target?: string;
    rel?: string;
    download?: boolean | string;
    children?: Snippet;
  } & Omit<HTMLButtonAttributes, "class"> = $props();
</script>

<Flowbite
  {...rest as Record<string, unknown>}
  {...NO_STOCK}
  aria-pressed={pressed}
  class={["focus-within:ring-0", BUTTON_LOOKS[look], size !== "usual" && size, pressed && "on", place]}
>
  {@render children?.()}
</Flowbite>
