<script lang="ts">
  import { Asking } from "../api/asking.svelte";
  import Outcome from "../ui/Outcome.svelte";
  import Button from "../ui/Button.svelte";
  import Input from "../ui/Input.svelte";
  import { request, requestFile } from "../api/http";
  import type { KnownPerson } from "../api/types";
  import { inside } from "../router.svelte";
  import TopBar from "./TopBar.svelte";

  let address = $state("");
  let person = $state<KnownPerson | null>(null);
  let because = $state("");
  const asking = new Asking();

  const take = (found: () => Promise<KnownPerson>, done = "") =>
    asking.run(async () => {
      person = await found();
      because = "";
    }, done);

  const save = () =>
    asking.run(async () => {
      const exported = await requestFile("POST", "/api/people/export", { address: person!.address });
      const file = document.createElement("a");
      file.href = URL.createObjectURL(exported);
      file.download = "person.json";
      file.click();
      URL.revokeObjectURL(file.href);
    });
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
        void take(() => request<KnownPerson>("POST", "/api/people/find", { address }));
      }}
    >
      <Input
        class="grow"
        type="email"
        required
        maxlength={254}
        aria-label="E-mail address"
        placeholder="name@place.example"
        bind:value={address}
      />
      <Button look="primary" type="submit">Find</Button>
    </form>
    <Outcome {asking} class="mt-2" />
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
              {#if kept.path}<a class="link" href={kept.path} {@attach inside}>{kept.what}</a
                >{:else}{kept.what}{/if}
            </li>
          {/each}
        </ul>
      {/if}
      {#if person.evidence.length}
        <h3 class="mt-3 font-semibold">Stays, as evidence of what others signed too</h3>
        <ul class="mt-1 list-disc ps-5">
          {#each person.evidence as kept (kept.path)}
            <li><a class="link" href={kept.path} {@attach inside}>{kept.what}</a></li>
          {/each}
        </ul>
        <p class="soft mt-1">A dispatch that has ended can be deleted on its own page, with a reason.</p>
      {/if}
      {#if person.erasable.length || person.evidence.length}
        <Button class="mt-4" onclick={save}>Export it all</Button>
      {/if}
      {#if person.erasable.length}
        <form
          class="mt-4 grid gap-2 border-t pt-4"
          onsubmit={(event) => {
            event.preventDefault();
            void take(
              () => request<KnownPerson>("POST", "/api/people/erase", { address: person!.address, because }),
              "Erased.",
            );
          }}
        >
          <label class="grid gap-1"
            ><b>Why is it erased?</b><Input maxlength={1000} required bind:value={because} /></label
          >
          <Button look="grave" type="submit" class="w-fit">Erase what can be erased</Button>
        </form>
      {/if}
    </section>
  {/if}
</main>
