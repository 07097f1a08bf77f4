<script lang="ts">
  import FileButton from "../ui/FileButton.svelte";
  import { Asking } from "../api/asking.svelte";
  import Outcome from "../ui/Outcome.svelte";
  import Button from "../ui/Button.svelte";
  import Checkbox from "../ui/Checkbox.svelte";
  import Input from "../ui/Input.svelte";
  import Select from "../ui/Select.svelte";
  import TextArea from "../ui/TextArea.svelte";
  import { Problem, request } from "../api/http";
  import type {
    Begun,
    OpenLinkList,
    OpenLinkMade,
    OpenLinkRow,
    PersonNamed,
    ReleaseList,
    ReturnedFile,
    SendingWanted,
    TableReport,
    ToSend,
  } from "../api/types";
  import { router } from "../router.svelte";
  import { dayAndTime } from "../times";
  import MergeRuns from "./MergeRuns.svelte";
  import TopBar from "./TopBar.svelte";
  import WebhookSettings from "./WebhookSettings.svelte";

  let { template }: { template: string } = $props();

  let title = $state("");
  let release = $state(0);
  let form = $state<ToSend | null>(null);
  let people = $state<PersonNamed[]>([]);
  let answers = $state<{ key: string; typed: string }[]>([]);
  let message = $state("");
  let due = $state("");
  let remindDays = $state(0);
  let mayDelegate = $state(true);
  let mailCode = $state(false);
  let filesInside = $state(true);
  let endsWhenDue = $state(false);
  let mostADay = $state(50);
  let fromFile = $state.raw<{ name: string; answers: Record<string, string>; notTaken: string[] } | null>(
    null,
  );
  let table = $state("");
  let report = $state<TableReport | null>(null);
  let openLink = $state("");
  let links = $state<OpenLinkRow[]>([]);
  let dueDays = $state(0);
  let how = $state<"one" | "many" | "open" | "documents">("one");
  const asking = new Asking();
  let loaded = $state(false);

  const base = $derived(`/api/templates/${template}/releases/${release}`);
  const heading = $derived(
    form ? [...form.roles.flatMap(({ role }) => [`${role}.name`, `${role}.address`]), "due"].join(",") : "",
  );
  const CHECKS = [
    { check: "link", words: "opens with the link alone" },
    { check: "mailCode", words: "opens with the link and a code sent by mail" },
    { check: "textCode", words: "opens with the link and a code sent by text message" },
    { check: "phrase", words: "opens with the link and a phrase you agreed" },
  ] as const;
  const WAYS = [
    { id: "one", label: "To named people" },
    { id: "many", label: "To many, from a table" },
    { id: "open", label: "Through an open link" },
    { id: "documents", label: "Documents from a table" },
  ] as const;

  $effect(() => void asking.run(load));

  async function load() {
    const list = await request<ReleaseList>("GET", `/api/templates/${template}/releases`);
    title = list.title;
    release = list.releases[0]?.number ?? 0;
    loaded = true;
    if (!release) return;
    form = await request<ToSend>("GET", `/api/templates/${template}/releases/${release}/roles`);
    people = form.roles.map(({ role }) => ({
      role,
      name: "",
      address: "",
      check: "link",
      phone: "",
      phrase: "",
    }));
    await loadLinks();
  }

  /** A number or phrase that was typed before something else was asked for is not sent along. */
  const asked = (person: PersonNamed): PersonNamed => ({
    ...person,
    phone: person.check === "textCode" ? person.phone : "",
    phrase: person.check === "phrase" ? person.phrase : "",
  });

  const wanted = (): SendingWanted => ({
    people: how === "one" ? people.map(asked) : [],
    answers: {
      ...(how === "one" ? fromFile?.answers : {}),
      ...Object.fromEntries(answers.filter(({ key, typed }) => key && typed).map((it) => [it.key, it.typed])),
    },
    message,
    due: due || null,
    remindDays: remindDays || 0,
    mayDelegate,
    filesInside,
    endsWhenDue: endsWhenDue && !!due,
  });

  const send = () =>
    asking.run(async () => {
      const { id } = await request<Begun>("POST", `${base}/dispatches`, wanted());
      router.go(`/dispatches/${id}`);
    });

  const sendTable = (really: boolean) =>
    asking.run(async () => {
      report = await request<TableReport>("POST", `${base}/dispatches/table`, {
        table,
        common: wanted(),
        send: really,
      });
    });

  const makeOpenLink = () =>
    asking.run(async () => {
      const { path } = await request<OpenLinkMade>("POST", `${base}/open-links`, {
        message,
        dueDays: dueDays || 0,
        remindDays: remindDays || 0,
        mayDelegate,
        mailCode,
        filesInside,
        endsWhenDue: endsWhenDue && dueDays > 0,
        mostADay: mostADay || 0,
      });
      openLink = location.origin + path;
      await loadLinks();
    });

  async function loadLinks() {
    links = (await request<OpenLinkList>("GET", `/api/templates/${template}/open-links`)).links;
  }

  const endLink = (id: number) =>
    asking.run(async () => {
      links = (await request<OpenLinkList>("POST", `/api/templates/${template}/open-links/${id}/end`)).links;
    });

  const takeAnswers = (file: File) =>
    asking.run(async () => {
      fromFile = null;
      const path = `/api/templates/${template}/answers?release=${release}`;
      const { first, forms } = await request<ReturnedFile>("POST", path, file);
      if (forms.length > 1)
        throw new Problem(
          422,
          `“${file.name}” has answers for ${forms.length} documents. Send them to many, from a table; or bring a file with one.`,
        );
      fromFile = { name: file.name, answers: first, notTaken: forms[0]!.notTaken };
    });

  async function readFile(file: File) {
    table = await file.text();
    report = null;
  }
</script>

<svelte:head><title>Send · {title} · Loesscape</title></svelte:head>

<TopBar {title} {template} view="Send" />
<main class="mx-auto grid max-w-[880px] grid-cols-[minmax(0,1fr)] gap-5 px-4 py-6 sm:px-6">
  <Outcome {asking} />
  {#if loaded && !release}
    <p class="rounded-xl border bg-paper px-8 py-10 text-center">
      Release it first; what is sent never changes.
    </p>
  {:else if form}
    <div class="flex flex-wrap gap-1" role="group" aria-label="How it is sent">
      {#each WAYS as { id, label } (id)}
        <Button pressed={how === id} onclick={() => (how = id)}>{label}</Button>
      {/each}
      <span class="soft ml-auto self-center">Release {release}</span>
    </div>
  {/if}
  {#if form && how === "documents"}
    <section class="rounded-xl border bg-paper px-6 py-5">
      <MergeRuns {template} {form} />
    </section>
  {:else if form && !form.roles.length}
    <p class="rounded-xl border bg-paper px-8 py-10 text-center">
      Release {release} has no roles. Give its fields to roles under “Signers” and release it again; or hand out
      a link under “Release”.
    </p>
  {:else if form}
    <section class="rounded-xl border bg-paper px-6 py-5">
      {#if how === "one"}
        <h2 class="font-semibold">Who takes part</h2>
        {#each form.roles as role, i (role.role)}
          {@const person = people[i]!}
          <div class="mt-3 grid items-center gap-x-3 gap-y-1.5 sm:grid-cols-[150px_1fr_1fr]">
            <span class="font-medium"
              >{role.title}{#if role.sometimes}<span class="soft">, sometimes</span>{/if}</span
            >
            <Input
              placeholder="Name"
              aria-label={`Name of the ${role.title}`}
              maxlength={200}
              bind:value={people[i]!.name}
            />
            <Input
              type="email"
              placeholder="E-mail"
              aria-label={`E-mail of the ${role.title}`}
              maxlength={250}
              bind:value={people[i]!.address}
            />
            <Select
              class="sm:col-start-2"
              aria-label={`How the ${role.title} shows who they are`}
              bind:value={person.check}
            >
              {#each CHECKS as { check, words } (check)}<option value={check}>{words}</option>{/each}
            </Select>
            {#if person.check === "textCode"}
              <Input
                type="tel"
                placeholder="Telephone, such as +44 7700 900123"
                aria-label={`Telephone of the ${role.title}, with + and the code of its country`}
                maxlength={40}
                bind:value={person.phone}
              />
            {:else if person.check === "phrase"}
              <Input
                placeholder="Phrase, 8 characters or more"
                aria-label={`Phrase agreed with the ${role.title}, of 8 characters or more`}
                autocomplete="off"
                spellcheck="false"
                maxlength={60}
                bind:value={person.phrase}
              />
            {/if}
          </div>
        {/each}
      {:else if how === "many"}
        <h2 class="font-semibold">A table, one line for each dispatch</h2>
        <p class="soft mt-1">
          From a spreadsheet, or a CSV file; in the heading <span class="key">{heading}</span>, and the key of
          any field to be answered beforehand. In <span class="key">{form.roles[0]!.role}.phone</span> stands
          where a code is sent by text message; “mail” in
          <span class="key">{form.roles[0]!.role}.check</span> asks for one sent by mail.
        </p>
        <TextArea
          class="key mt-2 w-full"
          rows={8}
          aria-label="The table"
          placeholder={heading}
          bind:value={table}
          oninput={() => (report = null)}
        />
        <FileButton class="mt-2" accept=".csv,text/csv" onfile={readFile}>Read a CSV file</FileButton>
      {:else}
        <h2 class="font-semibold">A link that anybody can follow</h2>
        <p class="soft mt-1">
          Whoever follows it says who takes part; everybody then gets a link of their own.
        </p>
        <label class="mt-3 flex items-center gap-2"
          ><Checkbox bind:checked={mailCode} /> Everybody named is asked for a code that is sent to their address</label
        >
        <label class="mt-3 flex items-center gap-2"
          >Due <Input width="5rem" type="number" min="0" max="3650" bind:value={dueDays} /> days after it is begun
          (0: never)</label
        >
      {/if}
    </section>
    <section class="grid gap-3 rounded-xl border bg-paper px-6 py-5">
      <label class="grid gap-1 font-semibold"
        >Message
        <TextArea rows={2} maxlength={4000} bind:value={message} />
      </label>
      <div class="flex flex-wrap items-center gap-x-6 gap-y-2">
        {#if how !== "open"}
          <label class="flex items-center gap-2">Due <Input type="date" bind:value={due} /></label>
        {/if}
        <label class="flex items-center gap-2"
          >Remind every
          <Input width="4rem" type="number" min="0" max="3650" bind:value={remindDays} /> days (0: never)</label
        >
        <label class="flex items-center gap-2"
          ><Checkbox bind:checked={mayDelegate} /> People may hand their turn on</label
        >
        <label class="flex items-center gap-2"
          ><Checkbox bind:checked={filesInside} /> Files handed in go into the signed document</label
        >
        <label class="flex items-center gap-2"
          ><Checkbox disabled={how === "open" ? !dueDays : !due} bind:checked={endsWhenDue} /> Links end with the
          day it is due</label
        >
        {#if how === "open"}
          <label class="flex items-center gap-2"
            >At most
            <Input width="5rem" type="number" min="1" max="10000" bind:value={mostADay} /> a day</label
          >
        {/if}
      </div>
      {#if how !== "open"}
        <div>
          {#each answers as answer, i (i)}
            <div class="mb-2 grid grid-cols-[1fr_1fr_auto] gap-2">
              <Select aria-label="Field to be answered beforehand" bind:value={answer.key}>
                <option value="">which field?</option>
                {#each form.fields as { key, label } (key)}<option value={key}>{label}</option>{/each}
              </Select>
              <Input aria-label="Its answer" placeholder="Answer" bind:value={answer.typed} />
              <Button
                aria-label="Take this answer away"
                onclick={() => (answers = answers.filter((it) => it !== answer))}>×</Button
              >
            </div>
          {/each}
          {#if how === "one" && fromFile}
            <div class="mb-2 flex flex-wrap items-baseline gap-x-3" role="status">
              <span
                ><b>{Object.keys(fromFile.answers).length}</b> answered beforehand, from “{fromFile.name}”</span
              >
              <Button look="underlined" onclick={() => (fromFile = null)}>Leave them out</Button>
              {#if fromFile.notTaken.length}
                <ul class="basis-full list-disc ps-5">
                  {#each fromFile.notTaken as sentence (sentence)}
                    <li><span class="soft">Not taken:</span> {sentence}</li>
                  {/each}
                </ul>
              {/if}
            </div>
          {/if}
          <div class="flex flex-wrap gap-2">
            <Button onclick={() => (answers = [...answers, { key: "", typed: "" }])}
              >Answer a field beforehand</Button
            >
            {#if how === "one"}
              <FileButton accept=".pdf,.docx,.xfdf,.fdf,.csv,.tsv,.txt,.json" onfile={takeAnswers}
                >Answers from a file</FileButton
              >
            {/if}
          </div>
        </div>
      {/if}
    </section>
    <div class="flex gap-2">
      {#if how === "one"}
        <Button look="primary" size="large" disabled={asking.busy} onclick={send}>Send</Button>
      {:else if how === "many"}
        <Button size="large" disabled={asking.busy || !table.trim()} onclick={() => sendTable(false)}
          >Look at it first</Button
        >
        <Button
          look="primary"
          size="large"
          disabled={asking.busy || !report || report.sent || !report.accepted}
          onclick={() => sendTable(true)}>Send {report && !report.sent ? report.accepted : ""}</Button
        >
      {:else}
        <Button look="primary" size="large" disabled={asking.busy} onclick={makeOpenLink}>Make a link</Button>
      {/if}
    </div>
    {#if how === "many" && report}
      <section class="rounded-xl border bg-paper px-6 py-4" role="status">
        <p class="font-semibold">
          {report.accepted}
          {report.sent ? "sent" : "can be sent"}, {report.refused.length} not
        </p>
        <ul class="mt-1">
          {#each report.refused as { line, why } (line)}<li><b>Line {line}:</b> {why}</li>{/each}
        </ul>
      </section>
    {/if}
    {#if how === "open" && links.length}
      <section class="rounded-xl border bg-paper px-6 py-4" aria-labelledby="links">
        <h2 id="links" class="font-semibold">Links made so far</h2>
        <ul class="mt-1">
          {#each links as link (link.id)}
            <li class="flex flex-wrap items-baseline gap-x-4 gap-y-1 py-1">
              <span>To release {link.release}, made {dayAndTime(link.made)} by {link.by}</span>
              <span class="soft">{link.begun} begun through it</span>
              {#if link.ended}
                <span class="soft ml-auto">ended {dayAndTime(link.ended)}</span>
              {:else}
                <Button class="ml-auto" disabled={asking.busy} onclick={() => endLink(link.id)}
                  >End it<span class="sr-only">, made {dayAndTime(link.made)}</span></Button
                >
              {/if}
            </li>
          {/each}
        </ul>
      </section>
    {/if}
    {#if how === "open" && openLink}
      <section class="rounded-xl border border-gold-deep bg-straw px-6 py-4" aria-label="New link">
        <p>It is shown only now.</p>
        <Input
          width="100%"
          class="key mt-2"
          readonly
          shows={openLink}
          aria-label="Address of the link"
          onfocus={(event) => event.currentTarget.select()}
        />
      </section>
    {/if}
  {/if}
  <WebhookSettings {template} />
</main>
