<script lang="ts">
  import { confirming } from "../ui/confirming.svelte";
  import { Asking } from "../api/asking.svelte";
  import Outcome from "../ui/Outcome.svelte";
  import Button from "../ui/Button.svelte";
  import Input from "../ui/Input.svelte";
  import { request } from "../api/http";
  import type { Retained } from "../api/types";
  import { dayAndTime } from "../times";

  let { template }: { template: string } = $props();

  const path = $derived(`/api/templates/${template}/retention`);
  let retained = $state<Retained | null>(null);
  let days = $state<number | null>(null);
  const asking = new Asking();

  $effect(() => void take("GET"));

  const take = (method: string, body?: unknown) =>
    asking.run(async () => {
      retained = await request<Retained>(method, path, body);
      days = retained.days;
    });

  async function keep() {
    const wanted = days || null;
    const really =
      !wanted ||
      (await confirming.ask({
        question: `Delete what is older than ${wanted} days?`,
        means: "It is done at once, and from now on of itself. Nothing of it can be brought back.",
        does: "Delete it",
      }));
    if (really) await take("PUT", { days: wanted });
  }
</script>

<!-- For how long what comes in is kept, and what was deleted. -->
{#if retained}
  <section class="rounded-xl border bg-paper px-6 py-5" aria-labelledby="retention">
    <h2 id="retention" class="font-semibold">For how long it is kept</h2>
    <p class="soft mt-1">
      Records, ended dispatches with their documents, and what somebody began and left are deleted after so
      many days. Empty: they are kept until somebody deletes them.
    </p>
    <form
      class="mt-3 flex flex-wrap items-center gap-2"
      onsubmit={(event) => {
        event.preventDefault();
        void keep();
      }}
    >
      <label class="flex items-center gap-2"
        >Deleted after
        <Input width="6rem" type="number" min="1" max="36500" bind:value={days} /> days</label
      >
      <Button type="submit">Keep</Button>
    </form>
    <Outcome {asking} class="mt-2" />
    {#if retained.deleted.length}
      <h3 class="mt-4 font-semibold">Deleted</h3>
      <ul class="mt-1 max-h-60 overflow-y-auto">
        {#each retained.deleted as one, i (i)}
          <li class="flex flex-wrap gap-x-3 border-t py-1 first:border-0">
            <span>{one.what}</span><span class="soft">{dayAndTime(one.at)}, {one.who}</span><span
              >“{one.because}”</span
            >
          </li>
        {/each}
      </ul>
    {/if}
  </section>
{/if}
