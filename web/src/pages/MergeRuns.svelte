<script lang="ts">
  import { Asking } from "../api/asking.svelte";
  import { request } from "../api/http";
  import type { Making, MergeRun, MergeRunList, ToSend } from "../api/types";
  import { dayAndTime } from "../times";
  import { saidOnce } from "./remarks";
  import Button from "../ui/Button.svelte";
  import FileButton from "../ui/FileButton.svelte";
  import Outcome from "../ui/Outcome.svelte";
  import Progress from "../ui/Progress.svelte";
  import Select from "../ui/Select.svelte";

  let { template, form }: { template: string; form: ToSend } = $props();

  const EVERY = 1000;
  const MAKINGS: { making: Making; asked: string; words: string }[] = [
    { making: "pdf", asked: "PDF", words: "finished PDF files" },
    { making: "docx", asked: "DOCX", words: "finished DOCX files" },
    { making: "fillable", asked: "FILLABLE", words: "PDF forms, to be filled in further" },
    { making: "fillableDocx", asked: "FILLABLE_DOCX", words: "DOCX forms, to be filled in further" },
  ];

  const base = $derived(`/api/templates/${template}/merges`);
  const asking = new Asking();
  let making = $state("PDF");
  let runs = $state.raw<MergeRun[]>([]);

  const ask = (method: string, path: string, file?: File) =>
    asking.run(async () => (runs = (await request<MergeRunList>(method, path, file)).runs));

  $effect(() => void ask("GET", base));

  const goesOn = $derived(runs.some(({ ended }) => ended === null));

  $effect(() => {
    if (!goesOn) return;
    const often = setInterval(async () => {
      // What fails now is tried again of itself; what is shown stays.
      const now = await request<MergeRunList>("GET", base).catch(() => null);
      if (now) runs = now.runs;
    }, EVERY);
    return () => clearInterval(often);
  });

  const begin = (file: File) =>
    ask(
      "POST",
      `${base}?release=${form.release}&making=${making}&name=${encodeURIComponent(file.name)}`,
      file,
    );

  const quoted = (text: string) => `"${text.replaceAll('"', '""')}"`;
  const empty = $derived(
    `data:text/csv;charset=utf-8,${encodeURIComponent("\ufeff" + form.fields.map(({ label }) => quoted(label)).join(",") + "\r\n")}`,
  );
  const told = ({ remarked }: MergeRun, made: boolean) =>
    saidOnce(
      remarked
        .filter(({ isMade }) => isMade === made)
        .flatMap(({ number, problems }) => problems.map((sentence) => ({ number, sentence }))),
    );
  const words = (run: MergeRun) => MAKINGS.find((it) => it.making === run.making)!.words;
</script>

<!-- One document for each line of a table, without anybody who signs. -->
<h2 class="font-semibold">A table, one line for each document</h2>
<p class="soft mt-1">
  From a spreadsheet saved as CSV, or a JSON file; in the heading the questions, by their labels or keys. What
  is made is saved together, with a report, and thrown away after seven days. Nobody signs it.
  <a class="link" href={empty} download="empty-table.csv">Save an empty table</a>
</p>
<div class="mt-3 flex flex-wrap items-center gap-3">
  <label class="flex items-center gap-2"
    >Make
    <Select bind:value={making}>
      {#each MAKINGS as { asked, words } (asked)}<option value={asked}>{words}</option>{/each}
    </Select></label
  >
  <FileButton look="primary" accept=".csv,.tsv,.txt,.json,.pdf,.xfdf,.fdf" onfile={begin}
    >{asking.busy ? "Reading …" : "Choose the table"}</FileButton
  >
</div>
<Outcome {asking} class="mt-2" />
{#if runs.length}
  <ul class="mt-4 grid gap-3" aria-label="What was made">
    {#each runs as run (run.id)}
      <li class="border-t pt-3">
        <div class="flex flex-wrap items-center gap-x-4 gap-y-2">
          <span class="font-semibold break-all">{run.name}</span>
          <span class="soft">{words(run)} of release {run.release}, {dayAndTime(run.begun)}</span>
          {#if run.ended === null}
            <span class="flex basis-full items-center gap-3">
              <Progress done={run.tried} of={run.documents} label={`Documents of ${run.name}`} />
              <Button disabled={asking.busy} onclick={() => ask("POST", `${base}/${run.id}/stop`)}
                >Stop<span class="sr-only">, {run.name}</span></Button
              >
            </span>
          {:else}
            <span role="status"
              >{run.made} of {run.documents} made{run.tried < run.documents
                ? `; stopped after ${run.tried}`
                : ""}</span
            >
            <span class="ml-auto flex gap-2">
              <Button look="primary" href={`${base}/${run.id}/documents.zip`} download
                >Save all<span class="sr-only">, {run.name}</span></Button
              >
              <Button disabled={asking.busy} onclick={() => ask("DELETE", `${base}/${run.id}`)}
                >Throw away<span class="sr-only">, {run.name}</span></Button
              >
            </span>
          {/if}
        </div>
        {#if run.remarked.length}
          <ul class="mt-2">
            {#each told(run, false) as { sentence, numbers } (sentence)}
              <li><b>{numbers}:</b> <span class="trouble">not made.</span> {sentence}</li>
            {/each}
            {#each told(run, true) as { sentence, numbers } (sentence)}
              <li><b>{numbers}:</b> {sentence}</li>
            {/each}
          </ul>
          <p class="soft mt-1">
            The report beside the documents has all of it, line by line; here stands what is said of the
            first.
          </p>
        {/if}
      </li>
    {/each}
  </ul>
{/if}
