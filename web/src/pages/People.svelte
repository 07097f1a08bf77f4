<script lang="ts">
  import { ownHeaders, request } from "../api/http";
  import type { Person } from "../api/types";
  import { inside } from "../router.svelte";
  import TopBar from "./TopBar.svelte";

  let address = $state("");
  let person = $state<Person | null>(null);
  let because = $state("");
  let wrong = $state("");
  let told = $state("");

  async function take(asking: () => Promise<Person>, said = "") {
    wrong = told = "";
    try {
      person = await asking();
      told = said;
      because = "";
    } catch (problem) {
      wrong = problem instanceof Error ? problem.message : String(problem);
    }
  }

  async function save() {
    const answer = await fetch("/api/people/export", {
      method: "POST",
      headers: { ...ownHeaders(), "Content-Type": "application/json" },
      body: JSON.stringify({ address: person!.address }),
    });
    if (!answer.ok) {
      wrong = "It could not be exported; try again.";
      return;
    }
    const file = document.createElement("a");
    file.href = URL.createObjectURL(await answer.blob());
    file.download = "person.json";
    file.click();
    URL.revokeObjectURL(file.href);
  }
</script>

<svelte:head><title>People · Loesscape</title></svelte:head>

<TopBar title="People" />
<main class="mx-auto grid max-w-[880px] gap-5 px-4 py-7">
  <section class="rounded-xl border bg-paper px-6 py-5">
    <h1 class="font-semibold">All that is kept of one person</h1>
    <p class="soft mt-1">
      By the e-mail address, in all templates that are yours or shared with you: to be shown to the person,
      given to them, or erased when they ask for it.
    </p>
    <form
      class="mt-3 flex gap-2"
      onsubmit={(event) => {
        event.preventDefault();
        void take(() => request<Person>("POST", "/api/people/find", { address }));
      }}
    >
      <input
        class="text-input grow"
        type="email"
        required
        maxlength="254"
        aria-label="E-mail address"
        placeholder="name@place.example"
        bind:value={address}
      />
      <button class="button primary">Find</button>
    </form>
    {#if wrong}<p class="trouble mt-2" role="alert">{wrong}</p>{/if}
    {#if told}<p class="mt-2" role="status">{told}</p>{/if}
  </section>
  {#if person}
    <section class="rounded-xl border bg-paper px-6 py-5" aria-labelledby="found">
      <h2 id="found" class="font-semibold">{person.address}</h2>
      {#if !person.erasable.length && !person.evidence.length}
        <p class="soft mt-1">Nothing is kept of this address.</p>
      {/if}
      {#if person.erasable.length}
        <h3 class="mt-3 font-semibold">Can be erased</h3>
        <ul class="mt-1 list-disc ps-5">
          {#each person.erasable as kept (kept.what)}
            <li>
              {#if kept.path}<a class="link" href={kept.path} use:inside>{kept.what}</a
                >{:else}{kept.what}{/if}
            </li>
          {/each}
        </ul>
      {/if}
      {#if person.evidence.length}
        <h3 class="mt-3 font-semibold">Stays, as evidence of what others signed too</h3>
        <ul class="mt-1 list-disc ps-5">
          {#each person.evidence as kept (kept.path)}
            <li><a class="link" href={kept.path} use:inside>{kept.what}</a></li>
          {/each}
        </ul>
        <p class="soft mt-1">A dispatch that has ended can be deleted on its own page, with a reason.</p>
      {/if}
      {#if person.erasable.length || person.evidence.length}
        <button class="button mt-4" onclick={save}>Export it all</button>
      {/if}
      {#if person.erasable.length}
        <form
          class="mt-4 grid gap-2 border-t pt-4"
          onsubmit={(event) => {
            event.preventDefault();
            void take(
              () => request<Person>("POST", "/api/people/erase", { address: person!.address, because }),
              "Erased.",
            );
          }}
        >
          <label class="grid gap-1"
            ><b>Why is it erased?</b><input
              class="text-input"
              maxlength="1000"
              required
              bind:value={because}
            /></label
          >
          <button class="button w-fit border-clay text-clay">Erase what can be erased</button>
        </form>
      {/if}
    </section>
  {/if}
</main>
