<script lang="ts">
  import Flowbite from "flowbite-svelte/Table.svelte";
  import type { Snippet } from "svelte";
  import type { ClassValue } from "svelte/elements";

  let {
    heads,
    body,
    label,
    framed = true,
    class: place,
  }: {
    /** The cells of its first line: `TableHead`s. */
    heads: Snippet;
    /** Its other lines. */
    body: Snippet;
    /** What it lists, said to screen readers where no heading stands before it. */
    label?: string;
    framed?: boolean;
    class?: ClassValue;
  } = $props();
</script>

<Flowbite
  aria-label={label}
  color={"none" as never}
  border={false}
  class={["text-chrome", place]}
  classes={{ div: framed ? "rounded-xl border bg-paper" : "" }}
>
  <thead>
    <tr class="border-b text-xs text-soft">{@render heads()}</tr>
  </thead>
  <tbody>{@render body()}</tbody>
</Flowbite>
