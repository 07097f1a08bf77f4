<script lang="ts">
  import Alert from "../ui/Alert.svelte";
  import TableHead from "../ui/TableHead.svelte";
  import Table from "../ui/Table.svelte";
  import { Asking } from "../api/asking.svelte";
  import Outcome from "../ui/Outcome.svelte";
  import Button from "../ui/Button.svelte";
  import Input from "../ui/Input.svelte";
  import TextArea from "../ui/TextArea.svelte";
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
  const asking = new Asking();
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

  const ask = (found: () => Promise<DispatchPage>, done: string) =>
    asking.run(async () => (page = await found()), done);

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
  <Outcome {asking} />
  {#if page && row}
    <header class="flex flex-wrap items-start gap-3">
      <div class="min-w-0">
        <h1 class="text-xl font-semibold">{row.title}</h1>
        <p class="soft">
          Release {row.release}, sent {dayAndTime(row.sent)}{#if row.due}, due {day(row.due)}{/if} ·
          <a class="link" href={`/templates/${row.template}`} {@attach inside}>its template</a
          >{#if row.record}{" · "}<a
              class="link"
              href={`/templates/${row.template}/records/${row.record}`}
              {@attach inside}>record {row.record}</a
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
        <Button look="primary" href={`${base}/document.pdf`} download>Save the signed document</Button>
      {:else if goesOn && maySend && !withdrawing}
        <Button onclick={() => (withdrawing = true)}>Take it back …</Button>
      {/if}
    </header>
    {#if page.broken}
      <Alert look="framed"><span class="trouble">This does not hold together: {page.broken}</span></Alert>
    {/if}
    {#if page.notSealed}
      <Alert look="framed">
        <p class="trouble">The finished document cannot be sealed: {page.notSealed}</p>
        {#if maySend}
          <Button
            class="mt-2"
            onclick={() => ask(() => request("POST", `${base}/seal`), "It is tried again.")}>Try again</Button
          >
        {/if}
      </Alert>
    {/if}
    {#if page.because}<p class="rounded-xl border bg-paper px-5 py-3">Because: “{page.because}”</p>{/if}
    {#if withdrawing}
      <form class="rounded-xl border bg-paper px-5 py-4" onsubmit={withdraw}>
        <label class="grid gap-1 font-semibold"
          >Why is it taken back?
          <TextArea rows={2} maxlength={1000} bind:value={because} />
        </label>
        <p class="soft mt-1">Everybody who has been asked is told, with this reason. Their links end.</p>
        <div class="mt-3 flex gap-2">
          <Button look="primary" type="submit">Take it back</Button>
          <Button onclick={() => (withdrawing = false)}>Leave it</Button>
        </div>
      </form>
    {/if}
    <section class="overflow-x-auto rounded-xl border bg-paper" aria-label="Who takes part">
      <Table framed={false}
        >{#snippet heads()}
          <TableHead outer>Turn</TableHead>
          <TableHead>Role</TableHead>
          <TableHead>Person</TableHead>
          <TableHead>State</TableHead>
          <TableHead outer><span class="sr-only">Actions</span></TableHead>
        {/snippet}{#snippet body()}
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
                  {#if party.turn === "acting"}<Button onclick={() => remind(party)}
                      >Remind<span class="sr-only"> {party.name}</span></Button
                    >{/if}
                  {#if !party.opened && (party.turn === "acting" || party.turn === "waiting")}<Button
                      onclick={() => begin(party)}>Correct<span class="sr-only"> {party.title}</span></Button
                    >{/if}
                {/if}
              </td>
            </tr>
            {#if correcting === party.role}
              <tr class="border-b">
                <td colspan="5" class="bg-straw px-5 py-3">
                  <form class="flex flex-wrap items-end gap-3" onsubmit={correct}>
                    <label class="grid gap-1">Name<Input maxlength={200} bind:value={name} /></label>
                    <label class="grid w-72 gap-1"
                      >Address<Input type="email" maxlength={250} bind:value={address} /></label
                    >
                    {#if corrected?.check === "textCode"}
                      <label class="grid gap-1"
                        >Telephone<Input type="tel" maxlength={40} bind:value={phone} /></label
                      >
                    {/if}
                    <Button look="primary" type="submit">Keep</Button>
                    <Button onclick={() => (correcting = "")}>Leave it</Button>
                  </form>
                </td>
              </tr>
            {/if}
          {/each}
        {/snippet}</Table
      >
    </section>
    <section aria-labelledby="trail">
      <h2 id="trail" class="font-semibold">Trail</h2>
      <p class="soft">Each entry carries a hash over itself and the one before it.</p>
      <ol class="mt-2 border-s-2 border-straw-line ps-5">
        {#each page.trail as line, i (i)}
          <li class="mt-3">
            <p>{line.words}</p>
            <p class="soft text-note">
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
