<script lang="ts">
  import type { Snippet } from "svelte";
  import type { ClassValue, HTMLAnchorAttributes, HTMLButtonAttributes } from "svelte/elements";
  import { BUTTON_LOOKS, type ButtonLook, type ControlSize } from "../looks";

  let {
    look = "usual",
    size = "usual",
    class: place,
    children,
    href,
    ...rest
  }: {
    look?: ButtonLook;
    size?: ControlSize;
    class?: ClassValue;
    /** Where it leads: it is a link then. */
    href?: string;
    download?: boolean | string;
    target?: string;
    rel?: string;
    children?: Snippet;
  } & Omit<HTMLButtonAttributes, "class"> = $props();

  const classes = $derived([BUTTON_LOOKS[look], size !== "usual" && size, place]);
</script>

<!--
  The same looks and nothing besides: for the pages of those who fill in and sign, which have to be there at once, and for
  what stands beside every item of a long document.
-->
{#if href !== undefined}
  <a {href} {...rest as HTMLAnchorAttributes} class={classes}>{@render children?.()}</a>
{:else}
  <button type="button" {...rest} class={classes}>{@render children?.()}</button>
{/if}
