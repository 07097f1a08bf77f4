<script lang="ts" generics="T">
  import type { Snippet } from "svelte";
  import type { ClassValue } from "svelte/elements";
  import type { Choosing } from "./choosing.svelte";

  let {
    choosing,
    label,
    options,
    keyOf,
    option,
    isChosen,
    isOff = () => false,
    hintOf = () => undefined,
    several = false,
    nothing,
    class: place,
    onpick,
  }: {
    choosing: Choosing<T>;
    label: string;
    options: readonly T[];
    keyOf: (it: T) => string;
    /** What an option says. */
    option: Snippet<[T]>;
    /** Whether an option is chosen already; what is at hand is, where this is not told. */
    isChosen?: (it: T) => boolean;
    /** Whether an option cannot be chosen now. */
    isOff?: (it: T) => boolean;
    hintOf?: (it: T) => string | undefined;
    several?: boolean;
    /** What to say where there is none. */
    nothing?: string;
    class?: ClassValue;
    onpick: (it: T) => void;
  } = $props();
</script>

<!-- What can be chosen, below a line of text that keeps the focus and the keys. -->
<ul
  id={choosing.listId}
  role="listbox"
  aria-label={label}
  aria-multiselectable={several || undefined}
  class={["overflow-y-auto", place]}
>
  {#each options as it, i (keyOf(it))}
    <!-- svelte-ignore a11y_click_events_have_key_events (the keys are those of the line above) -->
    <li
      id={choosing.optionId(i)}
      role="option"
      aria-selected={isChosen ? isChosen(it) : i === choosing.at}
      aria-disabled={isOff(it) || undefined}
      title={hintOf(it)}
      class={["option", i === choosing.at && "at", isOff(it) && "soft"]}
      onpointerdown={(event) => event.preventDefault()}
      onclick={() => onpick(it)}
    >
      {@render option(it)}
    </li>
  {:else}
    {#if nothing}<li class="soft px-2 py-1.5">{nothing}</li>{/if}
  {/each}
</ul>

<style>
  .option {
    display: flex;
    align-items: baseline;
    gap: 7px;
    border-radius: var(--radius-sm);
    padding: 4px 7px;
    cursor: pointer;
  }

  .option:hover {
    background: var(--color-ground);
  }

  .option.at {
    background: var(--color-river-tint);
    outline: 1px solid var(--color-river);
    outline-offset: -1px;
  }
</style>
