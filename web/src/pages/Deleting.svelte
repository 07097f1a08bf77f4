<script lang="ts">
  import { request } from "../api/http";

  let {
    path,
    what,
    stays = "",
    ondone,
  }: {
    /** Where the server takes the reason. */
    path: string;
    /** What is deleted, in words. */
    what: string;
    /** What stays of it, in words; empty where nothing does. */
    stays?: string;
    ondone: () => void;
  } = $props();

  let asking = $state(false);
  let because = $state("");
  let wrong = $state("");

  async function erase(event: SubmitEvent) {
    event.preventDefault();
    wrong = "";
    try {
      await request<void>("POST", path, { because });
      ondone();
    } catch (problem) {
      wrong = problem instanceof Error ? problem.message : String(problem);
    }
  }
</script>

<!-- Something is deleted, with a reason that is kept. -->
{#if asking}
  <form class="rounded-xl border border-clay bg-paper px-5 py-4" onsubmit={erase}>
    <label class="grid gap-1"
      ><b>Why is {what} deleted?</b>
      <span class="soft"
        >Nothing of what it says is kept, but that it was deleted, by whom and why. {stays}</span
      >
      <input class="text-input" maxlength="1000" required bind:value={because} />
    </label>
    {#if wrong}<p class="trouble mt-2" role="alert">{wrong}</p>{/if}
    <div class="mt-3 flex gap-2">
      <button class="button border-clay text-clay">Delete it for good</button>
      <button type="button" class="button" onclick={() => (asking = false)}>Keep it</button>
    </div>
  </form>
{:else}
  <button class="button" onclick={() => (asking = true)}>Delete …</button>
{/if}
