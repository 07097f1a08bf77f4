<script lang="ts">
  import type { OpenTurn } from "../api/types";

  let { about }: { about: OpenTurn } = $props();

  const TURNS = { waiting: "later", acting: "now", finished: "signed", skipped: "not needed" } as const;
</script>

<!-- Who takes part, in the order of their turns. -->
<div class="mt-4 border-y py-3 text-sheet">
  <p>You fill in and sign as <b class="font-semibold">{about.role}</b>.</p>
  <ol class="mt-1 flex flex-wrap gap-x-4 gap-y-1">
    {#each about.others as other (other.title)}
      <li class={[other.turn === "acting" && "font-semibold"]}>
        {other.title}: {other.name} <span class="soft font-normal">({TURNS[other.turn]})</span>
      </li>
    {/each}
  </ol>
</div>
