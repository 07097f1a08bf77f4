<script lang="ts">
  import { request } from "../api/http";
  import type { DispatchPage, PartyRow } from "../api/types";
  import { inside, router } from "../router.svelte";
  import { session } from "../session.svelte";
  import { day, dayAndTime } from "../times";
  import { STANDINGS } from "./standings";
  import Deleting from "./Deleting.svelte";
  import TopBar from "./TopBar.svelte";

  let { id }: { id: string } = $props();

  const base = $derived(`/api/dispatches/${id}`);
  const maySend = $derived(session.value?.role !== "reader");
  let page = $state<DispatchPage | null>(null);
  let wrong = $state("");
  let told = $state("");
  let withdrawing = $state(false);
  let because = $state("");
  let correcting = $state("");
  let name = $state("");
  let address = $state("");
  let phone = $state("");
  const row = $derived(page?.dispatch);
  const corrected = $derived(row?.parties.find(({ role }) => role === correcting));
  const goesOn = $derived(row?.standing === "waiting" || row?.standing === "overdue");
  /** How far a role has come, in words; where all has ended, nobody is waited for any more. */
  function turnOf({ turn }: PartyRow): string {
    if (goesOn || turn === "finished" || turn === "skipped") return TURNS[turn];
    return turn === "acting" && row?.standing === "declined" ? "declined" : "did not sign";
  }

  const CHECKS = {
    mailCode: () => "a code sent by mail",
    textCode: ({ phone }: PartyRow) => `a code sent to ${phone}`,
    phrase: () => "a phrase you agreed",
  } as const;

  const TURNS = {
    waiting: "later",
    acting: "now",
    finished: "signed",
    skipped: "does not take part",
  } as const;

  $effect(() => void ask(() => request<DispatchPage>("GET", base), ""));

  // What is being sealed is looked at again until it is.
  $effect(() => {
    if (row?.standing !== "sealing") return;
    const again = setTimeout(() => void ask(() => request<DispatchPage>("GET", base), ""), 1_000);
    return () => clearTimeout(again);
  });

  async function ask(asking: () => Promise<DispatchPage>, done: string): Promise<boolean> {
    wrong = "";
    try {
      page = await asking();
      told = done;
      return true;
    } catch (problem) {
      wrong = problem instanceof Error ? problem.message : String(problem);
      return false;
    }
  }

  const remind = ({ role, name: person }: PartyRow) =>
    ask(() => request("POST", `${base}/remind`, { role }), `${person} has a new message with a new link.`);

  async function withdraw(event: Event) {
    event.preventDefault();
    if (await ask(() => request("POST", `${base}/withdraw`, { because }), "Taken back; everybody is told."))
      withdrawing = false;
  }

  function begin(party: PartyRow) {
    correcting = party.role;
    name = party.name;
    address = party.address;
    phone = party.phone;
  }

  async function correct(event: Event) {
    event.preventDefault();
    const kept = () =>
      request<DispatchPage>("POST", `${base}/correct`, { role: correcting, name, address, phone });
    if (await ask(kept, "Corrected.")) correcting = "";
  }
</script>

<svelte:head><title>{row?.title ?? "Dispatch"} · Loesscape</title></svelte:head>

<TopBar title="Dispatches" />
<main class="mx-auto grid max-w-[980px] gap-5 px-6 py-6">
  {#if wrong}<p class="trouble" role="alert">{wrong}</p>{/if}
  {#if told}<p role="status">{told}</p>{/if}
  {#if page && row}
    <header class="flex flex-wrap items-start gap-3">
      <div class="min-w-0">
        <h1 class="text-xl font-semibold">{row.title}</h1>
        <p class="soft">
          Release {row.release}, sent {dayAndTime(row.sent)}{#if row.due}, due {day(row.due)}{/if} ·
          <a class="link" href={`/templates/${row.template}`} use:inside>its template</a
          >{#if row.record}{" · "}<a
              class="link"
              href={`/templates/${row.template}/records/${row.record}`}
              use:inside>record {row.record}</a
            >{/if}
        </p>
      </div>
      <span
        class={[
          "ml-auto rounded-md border px-3 py-1 font-semibold",
          `shade-${STANDINGS[row.standing].shade}`,
        ]}>{STANDINGS[row.standing].words}</span
      >
      {#if row.standing === "finished"}
        <a class="button primary" href={`${base}/document.pdf`} download>Save the signed document</a>
      {:else if goesOn && maySend && !withdrawing}
        <button class="button" onclick={() => (withdrawing = true)}>Take it back …</button>
      {/if}
    </header>
    {#if page.broken}
      <p class="rounded-xl border border-clay bg-clay-tint px-5 py-3 font-semibold text-clay" role="alert">
        This does not hold together: {page.broken}
      </p>
    {/if}
    {#if page.notSealed}
      <div class="rounded-xl border border-clay bg-clay-tint px-5 py-3" role="alert">
        <p class="font-semibold text-clay">The finished document cannot be sealed: {page.notSealed}</p>
        {#if maySend}
          <button
            class="button mt-2"
            onclick={() => ask(() => request("POST", `${base}/seal`), "It is tried again.")}>Try again</button
          >
        {/if}
      </div>
    {/if}
    {#if page.because}<p class="rounded-xl border bg-paper px-5 py-3">Because: “{page.because}”</p>{/if}
    {#if withdrawing}
      <form class="rounded-xl border bg-paper px-5 py-4" onsubmit={withdraw}>
        <label class="grid gap-1 font-semibold"
          >Why is it taken back?
          <textarea class="text-input font-normal" rows="2" maxlength="1000" bind:value={because}></textarea>
        </label>
        <p class="soft mt-1">Everybody who has been asked is told, with this reason. Their links end.</p>
        <div class="mt-3 flex gap-2">
          <button class="button primary">Take it back</button>
          <button type="button" class="button" onclick={() => (withdrawing = false)}>Leave it</button>
        </div>
      </form>
    {/if}
    <section class="overflow-x-auto rounded-xl border bg-paper" aria-label="Who takes part">
      <table class="w-full text-left">
        <thead>
          <tr class="border-b text-xs text-soft">
            <th class="px-5 py-2.5 font-semibold">Turn</th>
            <th class="px-3 py-2.5 font-semibold">Role</th>
            <th class="px-3 py-2.5 font-semibold">Person</th>
            <th class="px-3 py-2.5 font-semibold">State</th>
            <th class="px-5 py-2.5"><span class="sr-only">Actions</span></th>
          </tr>
        </thead>
        <tbody>
          {#each row.parties as party (party.role)}
            <tr class="border-b align-top last:border-0">
              <td class="px-5 py-2.5 tabular-nums">{party.order}</td>
              <td class="max-w-64 px-3 py-2.5 font-semibold [overflow-wrap:anywhere]">{party.title}</td>
              <td class="max-w-80 px-3 py-2.5 [overflow-wrap:anywhere]"
                >{party.name}<br /><span class="soft">{party.address}</span>{#if party.check !== "link"}<br
                  /><span class="soft"
                    >{party.identified ? "showed" : "is to show"} who they are by {CHECKS[party.check](
                      party,
                    )}</span
                  >{/if}</td
              >
              <td class="px-3 py-2.5 whitespace-nowrap"
                >{turnOf(party)}{#if goesOn && party.turn === "acting"}<span class="soft"
                    >, {party.opened ? "opened" : "not opened yet"}</span
                  >{/if}</td
              >
              <td class="px-5 py-2.5 text-right whitespace-nowrap">
                {#if goesOn && maySend}
                  {#if party.turn === "acting"}<button class="button" onclick={() => remind(party)}
                      >Remind<span class="sr-only"> {party.name}</span></button
                    >{/if}
                  {#if !party.opened && (party.turn === "acting" || party.turn === "waiting")}<button
                      class="button"
                      onclick={() => begin(party)}>Correct<span class="sr-only"> {party.title}</span></button
                    >{/if}
                {/if}
              </td>
            </tr>
            {#if correcting === party.role}
              <tr class="border-b">
                <td colspan="5" class="bg-straw px-5 py-3">
                  <form class="flex flex-wrap items-end gap-3" onsubmit={correct}>
                    <label class="grid gap-1"
                      >Name<input class="text-input" maxlength="200" bind:value={name} /></label
                    >
                    <label class="grid w-72 gap-1"
                      >Address<input
                        class="text-input"
                        type="email"
                        maxlength="250"
                        bind:value={address}
                      /></label
                    >
                    {#if corrected?.check === "textCode"}
                      <label class="grid gap-1"
                        >Telephone<input
                          class="text-input"
                          type="tel"
                          maxlength="40"
                          bind:value={phone}
                        /></label
                      >
                    {/if}
                    <button class="button primary">Keep</button>
                    <button type="button" class="button" onclick={() => (correcting = "")}>Leave it</button>
                  </form>
                </td>
              </tr>
            {/if}
          {/each}
        </tbody>
      </table>
    </section>
    <section aria-labelledby="trail">
      <h2 id="trail" class="font-semibold">Trail</h2>
      <p class="soft">Each entry carries a hash over itself and the one before it.</p>
      <ol class="mt-2 border-s-2 border-straw-line ps-5">
        {#each page.trail as line, i (i)}
          <li class="mt-3">
            <p>{line.words}</p>
            <p class="soft text-[12px]">
              {i + 1} · {dayAndTime(line.at)} · {line.who}{#if line.from}, from {line.from}{/if} ·
              <span class="key" title={line.hash}>{line.hash.slice(0, 12)}…</span>
            </p>
          </li>
        {/each}
      </ol>
    </section>
    {#if session.value?.role === "author" && !goesOn && row.standing !== "sealing"}
      <div>
        <Deleting
          path={`${base}/delete`}
          what="this dispatch"
          stays="Of a sealed document its hash stays, so that whoever has it can still have it checked."
          ondone={() => router.go("/dispatches")}
        />
      </div>
    {/if}
  {/if}
</main>
