<script lang="ts">
  import { request } from "../api/http";
  import type { OpenInvitation, PersonNamed } from "../api/types";
  import Message from "./Message.svelte";
  import NotOpened from "../document/NotOpened.svelte";

  const link = location.pathname.split("/")[2] ?? "";
  let people = $state<PersonNamed[]>([]);
  let done = $state(false);
  let wrong = $state("");
  const opened = request<OpenInvitation>("GET", `/api/open/${link}`).then((told) => {
    people = told.roles.map(({ role }) => ({
      role,
      name: "",
      address: "",
      check: "link",
      phone: "",
      phrase: "",
    }));
    return told;
  });

  async function begin(event: Event) {
    event.preventDefault();
    wrong = "";
    try {
      await request<void>("POST", `/api/open/${link}`, { people });
      done = true;
    } catch (problem) {
      wrong = problem instanceof Error ? problem.message : String(problem);
    }
  }
</script>

<svelte:head><title>Begin a document</title></svelte:head>

{#await opened}
  <p class="soft p-10 text-center" role="status">Opening …</p>
{:then told}
  {#if done}
    <Message
      title="Begun"
      text={`${people[0]!.name} has a message with a link to fill in and sign; the others follow in their turn.`}
    />
  {:else}
    <main class="mx-auto max-w-[620px] px-4 py-8 sm:py-14">
      <form class="rounded-xl border bg-paper px-5 py-7 sm:px-10" onsubmit={begin}>
        <p class="soft">{told.organisation.name}</p>
        <h1 class="mt-2 text-2xl leading-tight font-semibold">{told.title}</h1>
        {#if told.message}<p class="mt-3 whitespace-pre-wrap">{told.message}</p>{/if}
        <p class="mt-3 text-[15px]">
          Say who takes part. Everybody gets a link of their own when their turn comes.
        </p>
        {#each told.roles as role, i (role.role)}
          <fieldset class="mt-5 border-t pt-3">
            <legend class="font-semibold">
              {role.title}{#if role.sometimes}<span class="soft font-normal"
                  >, only if it turns out to be needed</span
                >{/if}
            </legend>
            <div class="grid gap-3 sm:grid-cols-2">
              <label
                ><span class="mb-1 block">Name</span><input
                  class="text-input w-full"
                  maxlength="200"
                  bind:value={people[i]!.name}
                /></label
              >
              <label
                ><span class="mb-1 block">E-mail</span><input
                  class="text-input w-full"
                  type="email"
                  maxlength="250"
                  bind:value={people[i]!.address}
                /></label
              >
            </div>
          </fieldset>
        {/each}
        {#if wrong}<p class="trouble mt-3" role="alert">{wrong}</p>{/if}
        <button type="submit" class="button primary mt-5 px-4 py-2.5 text-[15px]">Begin</button>
      </form>
    </main>
  {/if}
{:catch problem}
  <Message title="Nothing to begin here" text=""><NotOpened {problem} /></Message>
{/await}
