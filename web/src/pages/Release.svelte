<script lang="ts">
  import { Problem, request } from "../api/http";
  import type { NewLink, ReleaseList } from "../api/types";
  import { inside } from "../router.svelte";
  import { dayAndTime } from "../times";
  import FillLinks from "./FillLinks.svelte";
  import RetentionSettings from "./RetentionSettings.svelte";
  import SharingSettings from "./SharingSettings.svelte";
  import TopBar from "./TopBar.svelte";

  let { template }: { template: string } = $props();

  const base = $derived(`/api/templates/${template}/releases`);
  let list = $state<ReleaseList | null>(null);
  let notes = $state("");
  /** Why it is released although something was found that should keep it from that. */
  let accepted = $state("");
  let fresh = $state<NewLink | null>(null);
  let copied = $state(false);
  let trouble = $state("");
  let busy = $state(false);
  const address = $derived(fresh ? location.origin + fresh.path : "");

  $effect(() => void attempt(load));

  async function load() {
    list = await request<ReleaseList>("GET", base);
  }

  async function attempt(work: () => Promise<void>) {
    busy = true;
    trouble = "";
    try {
      await work();
    } catch (problem) {
      trouble = problem instanceof Problem ? problem.message : String(problem);
    } finally {
      busy = false;
    }
  }

  const release = () =>
    attempt(async () => {
      fresh = await request<NewLink>("POST", base, {
        revision: list!.revision,
        notes,
        accepted,
      });
      copied = false;
      notes = accepted = "";
      await load();
    });

  const link = (number: number) =>
    attempt(async () => {
      fresh = await request<NewLink>("POST", `${base}/${number}/links`);
      copied = false;
      await load();
    });

  async function copy() {
    await navigator.clipboard.writeText(address);
    copied = true;
  }
</script>

<svelte:head><title>Release · {list?.title ?? ""} · Loesscape</title></svelte:head>

<TopBar title={list?.title} {template} view="Release" />
<main class="mx-auto grid max-w-[880px] grid-cols-[minmax(0,1fr)] gap-6 px-4 py-7 sm:px-6">
  {#if trouble}<p class="trouble" role="alert">{trouble}</p>{/if}
  {#if fresh}
    <section class="rounded-xl border border-gold-deep bg-straw px-6 py-5" aria-label="New link">
      <h2 class="text-[15.5px] font-semibold">Link to release {fresh.release}</h2>
      <p class="mt-1">
        Whoever has this link can fill in the document. It is shown only now; copy it before you leave this
        page.
      </p>
      <div class="mt-3 flex gap-2">
        <input
          class="text-input key grow"
          readonly
          value={address}
          aria-label="Address of the link"
          onfocus={(event) => event.currentTarget.select()}
        />
        <button class="button" onclick={copy}>{copied ? "Copied" : "Copy"}</button>
        <a class="button" href={fresh.path} target="_blank" rel="noopener">Open it</a>
      </div>
    </section>
  {/if}
  {#if list}
    <section class="rounded-xl border bg-paper px-6 py-5">
      <h2 class="text-[15.5px] font-semibold">
        {#if list.releases.length === 0}Not released yet{:else if list.changedSince}Changed since release {list
            .releases[0]?.number}{:else}As in release {list.releases[0]?.number}{/if}
      </h2>
      <p class="soft mt-1">
        Releasing makes a numbered copy that never changes, and a link to it. You can go on with the draft;
        whoever has a link sees the release.
      </p>
      <label class="mt-4 grid gap-1 font-semibold"
        >What is new in it
        <textarea class="text-input font-normal" rows="2" maxlength="4000" bind:value={notes}></textarea>
      </label>
      {#if list.blocking.length}
        <div class="mt-4 rounded-md border border-clay bg-clay-tint px-4 py-3">
          <h3 class="font-semibold text-clay">Found in the draft</h3>
          <ul class="mt-1 list-disc ps-5">
            {#each list.blocking as { key, message } (key + message)}<li>{message}</li>{/each}
          </ul>
          <label class="mt-3 grid gap-1 font-semibold"
            >Why it is released all the same
            <textarea class="text-input font-normal" rows="2" maxlength="4000" bind:value={accepted}
            ></textarea>
          </label>
        </div>
      {/if}
      <div class="mt-3 flex items-center gap-3">
        <button
          class="button primary"
          disabled={busy || (list.blocking.length > 0 && !accepted.trim())}
          onclick={release}>Make release {(list.releases[0]?.number ?? 0) + 1}</button
        >
        <a class="link ml-auto" href={`/api/templates/${template}/file`} download
          >Export the draft as a template file</a
        >
      </div>
    </section>
    {#if list.releases.length}
      <section class="relative overflow-x-auto rounded-xl border bg-paper" aria-label="Releases">
        <table class="w-full text-left">
          <thead>
            <tr class="border-b text-xs text-soft">
              <th class="px-6 py-2.5 font-semibold">Release</th>
              <th class="px-3 py-2.5 font-semibold">Made</th>
              <th class="px-3 py-2.5 font-semibold">What is new in it</th>
              <th class="px-3 py-2.5 text-right font-semibold">Links</th>
              <th class="px-3 py-2.5 text-right font-semibold">Records</th>
              <th class="px-6 py-2.5"><span class="sr-only">Actions</span></th>
            </tr>
          </thead>
          <tbody>
            {#each list.releases as row (row.number)}
              <tr class="border-b align-top last:border-0">
                <td class="px-6 py-3 text-[15px] font-semibold tabular-nums">{row.number}</td>
                <td class="px-3 py-3 whitespace-nowrap"
                  >{dayAndTime(row.released)}<br /><span class="soft">{row.by}</span></td
                >
                <td class="px-3 py-3 whitespace-pre-wrap"
                  >{row.notes}{#if row.accepted}<p class="soft mt-1">
                      Released all the same, because: {row.accepted}
                    </p>{/if}</td
                >
                <td class="px-3 py-3 text-right tabular-nums">{row.links}</td>
                <td class="px-3 py-3 text-right tabular-nums">
                  {#if row.records}<a class="link" href={`/templates/${template}/records`} use:inside
                      >{row.records}</a
                    >{:else}0{/if}
                </td>
                <td class="px-6 py-3 text-right"
                  ><button class="button" disabled={busy} onclick={() => link(row.number)}>New link</button
                  ></td
                >
              </tr>
            {/each}
          </tbody>
        </table>
      </section>
    {/if}
    <FillLinks {template} made={fresh} />
    <SharingSettings {template} />
    <RetentionSettings {template} />
  {/if}
</main>
