<script lang="ts">
  import { request } from "../api/http";
  import type { Retained } from "../api/types";
  import { dayAndTime } from "../times";

  let { template }: { template: string } = $props();

  const path = $derived(`/api/templates/${template}/retention`);
  let retained = $state<Retained | null>(null);
  let days = $state<number | null>(null);
  let wrong = $state("");

  $effect(() => void take(request<Retained>("GET", path)));

  async function take(asking: Promise<Retained>) {
    wrong = "";
    try {
      retained = await asking;
      days = retained.days;
    } catch (problem) {
      wrong = problem instanceof Error ? problem.message : String(problem);
    }
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
        const wanted = days || null;
        if (!wanted || confirm(`Delete what is older than ${wanted} days, from now on and of itself?`))
          void take(request<Retained>("PUT", path, { days: wanted }));
      }}
    >
      <label class="flex items-center gap-2"
        >Deleted after
        <input class="text-input w-24" type="number" min="1" max="36500" bind:value={days} /> days</label
      >
      <button class="button">Keep</button>
    </form>
    {#if wrong}<p class="trouble mt-2" role="alert">{wrong}</p>{/if}
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
