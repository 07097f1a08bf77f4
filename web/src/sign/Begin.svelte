<script lang="ts">
  import Button from "../ui/light/Button.svelte";
  import { request, said } from "../api/http";
  import type { CodeOnItsWay, OpenInvitation, PersonNamed } from "../api/types";
  import Message from "./Message.svelte";
  import NotOpened from "../document/NotOpened.svelte";

  const link = location.pathname.split("/")[2] ?? "";
  let people = $state<PersonNamed[]>([]);
  /** Which of the addresses is the visitor's own. */
  let own = $state("");
  /** By what the visitor is known once a code is on its way; empty before. */
  let confirmation = $state("");
  let code = $state("");
  let done = $state(false);
  let busy = $state(false);
  const addresses = $derived([...new Set(people.map(({ address }) => address.trim()).filter(Boolean))]);
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

  async function attempt(work: () => Promise<void>) {
    wrong = "";
    busy = true;
    try {
      await work();
    } catch (problem) {
      wrong = said(problem);
    } finally {
      busy = false;
    }
  }

  const sendCode = () =>
    attempt(async () => {
      const sent = await request<CodeOnItsWay>("POST", `/api/open/${link}/code`, {
        address: own || addresses[0] || "",
      });
      own ||= addresses[0] ?? "";
      code = "";
      confirmation = sent.confirmation;
    });

  const begin = () =>
    attempt(async () => {
      await request<void>("POST", `/api/open/${link}`, { people, confirmation, code });
      done = true;
    });
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
      <form
        class="rounded-xl border bg-paper px-5 py-7 sm:px-10"
        onsubmit={(event) => {
          event.preventDefault();
          void (confirmation ? begin() : sendCode());
        }}
      >
        <p class="soft">{told.organisation.name}</p>
        <h1 class="mt-2 text-2xl leading-tight font-semibold">{told.title}</h1>
        {#if told.message}<p class="mt-3 whitespace-pre-wrap">{told.message}</p>{/if}
        <p class="mt-3 text-reading">
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
        {#if addresses.length > 1 && !confirmation}
          <label class="mt-5 block border-t pt-3"
            ><span class="mb-1 block font-semibold">Which of these addresses is yours?</span>
            <select class="text-input w-full" bind:value={own} required>
              <option value="">Choose it</option>
              {#each addresses as address (address)}<option>{address}</option>{/each}
            </select>
          </label>
        {/if}
        {#if confirmation}
          <div class="mt-5 border-t pt-3">
            <label
              ><span class="mb-1 block font-semibold">The code that was sent to {own}</span>
              <input
                class="text-input w-40 text-lg tracking-widest"
                inputmode="numeric"
                autocomplete="one-time-code"
                maxlength="6"
                required
                bind:value={code}
              /></label
            >
            <p class="soft mt-2">
              Nobody else gets a message before that. <Button look="link" onclick={sendCode}
                >Send another code</Button
              >
            </p>
          </div>
        {/if}
        {#if wrong}<p class="trouble mt-3" role="alert">{wrong}</p>{/if}
        <Button look="primary" size="large" type="submit" class="mt-5" disabled={busy}
          >{confirmation ? "Begin" : "Send me a code"}</Button
        >
      </form>
    </main>
  {/if}
{:catch problem}
  <Message title="Nothing to begin here" text=""><NotOpened {problem} /></Message>
{/await}
