<script lang="ts">
  import { Asking } from "../api/asking.svelte";
  import Outcome from "../ui/Outcome.svelte";
  import Button from "../ui/Button.svelte";
  import Input from "../ui/Input.svelte";
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
  const deleting = new Asking();

  async function erase(event: SubmitEvent) {
    event.preventDefault();
    if (await deleting.run(() => request<void>("POST", path, { because }))) ondone();
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
      <Input maxlength={1000} required bind:value={because} />
    </label>
    <Outcome asking={deleting} class="mt-2" />
    <div class="mt-3 flex gap-2">
      <Button look="grave" type="submit">Delete it for good</Button>
      <Button onclick={() => (asking = false)}>Keep it</Button>
    </div>
  </form>
{:else}
  <Button onclick={() => (asking = true)}>Delete …</Button>
{/if}
