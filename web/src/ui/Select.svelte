<script lang="ts">
  import Flowbite from "flowbite-svelte/Select.svelte";
  import type { Snippet } from "svelte";
  import type { ClassValue, HTMLSelectAttributes } from "svelte/elements";
  import type { ControlSize } from "./looks";
  import { NO_STOCK } from "./stock";

  let {
    look = "usual",
    height = "usual",
    value = $bindable(),
    class: place,
    children,
    ...rest
  }: {
    look?: "usual" | "on spruce" | "token value";
    height?: ControlSize;
    // eslint-disable-next-line @typescript-eslint/no-explicit-any -- as of the element: whatever its options stand for
    value?: any;
    class?: ClassValue;
    /** Its options. */
    children: Snippet;
  } & Omit<HTMLSelectAttributes, "class" | "value" | "height" | "size"> = $props();

  const LOOKS = { usual: "text-input", "on spruce": "button on-spruce", "token value": "token value" };
</script>

<Flowbite
  {...rest as Record<string, unknown>}
  {...NO_STOCK}
  underline={"none" as never}
  placeholder=""
  bind:value
  class="contents"
  classes={{ select: ["typed-into w-auto", LOOKS[look], height !== "usual" && height, place] }}
>
  {@render children()}
</Flowbite>
