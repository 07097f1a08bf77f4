<script lang="ts">
  import Busy from "../ui/Busy.svelte";
  import { Asking } from "../api/asking.svelte";
  import { request } from "../api/http";
  import type { Returned, ReturnedFile } from "../api/types";
  import { inside } from "../router.svelte";
  import { saidOnce } from "./remarks";
  import Button from "../ui/Button.svelte";
  import Outcome from "../ui/Outcome.svelte";
  import Select from "../ui/Select.svelte";

  let {
    template,
    file,
    ontaken,
    onputaway,
  }: { template: string; file: File; ontaken: () => unknown; onputaway: () => unknown } = $props();

  const MOST_SHOWN = 20;

  const asking = new Asking();
  let seen = $state.raw<ReturnedFile | null>(null);
  /** The records that were there already when the file was looked at. */
  let before = $state.raw<ReadonlySet<number>>(new Set());
  let release = $state(0);
  let showsAll = $state(false);

  $effect(() => void look(0));

  const look = (wanted: number) =>
    asking.run(async () => {
      seen = await request<ReturnedFile>(
        "POST",
        `/api/templates/${template}/answers?release=${wanted}`,
        file,
      );
      release = seen.release;
      before = new Set(seen.forms.flatMap(({ record }) => record ?? []));
    });

  const take = () =>
    asking.run(async () => {
      const path = `/api/templates/${template}/records?release=${release}&name=${encodeURIComponent(file.name)}`;
      seen = await request<ReturnedFile>("POST", path, file);
      ontaken();
    });

  const forms = $derived(seen?.forms ?? []);
  const whole = $derived(forms.filter(({ record, inTheWay }) => record === null && !inTheWay.length));
  const taken = $derived(
    forms.flatMap(({ record }) => (record === null || before.has(record) ? [] : record)),
  );
  const remarked = $derived(
    forms.filter(
      ({ record, inTheWay }) =>
        (record === null && inTheWay.length) || (record !== null && before.has(record)),
    ),
  );
  const notTaken = $derived(
    saidOnce(
      forms.flatMap(({ position, notTaken }) => notTaken.map((sentence) => ({ number: position, sentence }))),
    ),
  );
  const shown = $derived(showsAll ? remarked : remarked.slice(0, MOST_SHOWN));

  const documents = (count: number) => (count === 1 ? "1 document" : `${count} documents`);
  const called = ({ position, called: name }: Returned) =>
    forms.length === 1 ? "" : name ? `${position}, “${name}”` : `${position}`;
</script>

<!-- A file with answers: what is in it, what can be taken into the records, and what not, with why. -->
<section class="returned rounded-xl border bg-paper px-5 py-3" aria-label={file.name}>
  <header class="flex flex-wrap items-center gap-x-4 gap-y-2">
    <h2 class="text-reading font-semibold break-all">{file.name}</h2>
    {#if seen}
      <span class="soft">{documents(forms.length)}</span>
      {#if seen.releases.length > 1}
        <label class="flex items-center gap-2"
          >of release
          <Select bind:value={release} disabled={asking.busy} onchange={() => look(release)}>
            {#each seen.releases as number (number)}<option value={number}>{number}</option>{/each}
          </Select></label
        >
      {/if}
    {:else if asking.busy}
      <Busy>Reading …</Busy>
    {/if}
    <span class="ml-auto flex gap-2">
      {#if whole.length}
        <Button look="primary" disabled={asking.busy} onclick={take}
          >{forms.length === 1 ? "Take it into the records" : `Take ${whole.length} into the records`}</Button
        >
      {/if}
      <Button aria-label={`Put away, ${file.name}`} onclick={onputaway}>Put away</Button>
    </span>
  </header>
  <Outcome {asking} class="mt-2" />
  {#if seen}
    <div role="status">
      {#if taken.length}
        <p class="mt-2 font-semibold">
          {taken.length === 1 ? "Taken as record" : "Taken as records"}
          {#each taken as number, i (number)}{i ? ", " : " "}<a
              class="link"
              href={`/templates/${template}/records/${number}`}
              {@attach inside}>{number}</a
            >{/each}
        </p>
      {:else if whole.length && forms.length === 1 && !remarked.length}
        <p class="mt-2">{forms[0]!.taken} answers; nothing is missing.</p>
      {/if}
    </div>
    {#if notTaken.length}
      <ul class="mt-2">
        {#each notTaken as { sentence, numbers } (sentence)}
          <li><span class="soft">Not taken{forms.length > 1 ? ` (${numbers})` : ""}:</span> {sentence}</li>
        {/each}
      </ul>
    {/if}
    {#if remarked.length}
      <ul class="mt-2 grid gap-2">
        {#each shown as form (form.position)}
          <li>
            {#if called(form)}<span class="font-semibold">{called(form)}:</span>{/if}
            {#if form.record !== null && before.has(form.record)}
              was taken before, as
              <a class="link" href={`/templates/${template}/records/${form.record}`} {@attach inside}
                >record {form.record}</a
              >
            {:else}
              <span class="trouble">cannot be a record</span>
            {/if}
            <ul class="list-disc ps-5">
              {#each form.record === null ? form.inTheWay : [] as sentence (sentence)}<li>
                  {sentence}
                </li>{/each}
            </ul>
          </li>
        {/each}
      </ul>
      {#if shown.length < remarked.length}
        <Button look="link" class="mt-2" onclick={() => (showsAll = true)}
          >All {remarked.length} of them</Button
        >
      {/if}
    {/if}
  {/if}
</section>
