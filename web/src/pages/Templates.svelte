<script lang="ts">
  import Table from "flowbite-svelte/Table.svelte";
  import { Problem, request } from "../api/http";
  import type { TemplateMade, TemplateStanding, TemplateList } from "../api/types";
  import { inside, router } from "../router.svelte";
  import { dayAndTime } from "../times";
  import { session } from "../session.svelte";
  import Accounts from "./Accounts.svelte";
  import OrganisationSettings from "./OrganisationSettings.svelte";
  import TopBar from "./TopBar.svelte";
  import NotOpened from "../document/NotOpened.svelte";

  let list = $state(request<TemplateList>("GET", "/api/templates"));
  let title = $state("");
  let trouble = $state<Problem | null>(null);
  const isAuthor = $derived(session.value?.role === "author");
  let chooser: HTMLInputElement;

  const standings: Record<TemplateStanding, string> = {
    neverReleased: "never released",
    released: "released",
    changedSinceRelease: "changed since release",
  };

  async function make(event: SubmitEvent) {
    event.preventDefault();
    await attempt(() => request<TemplateMade>("POST", "/api/templates", { title }));
  }

  async function importFile() {
    const file = chooser.files?.[0];
    chooser.value = "";
    if (file)
      await attempt(async () =>
        request<TemplateMade>(
          "POST",
          "/api/templates/import",
          new Blob([await file.arrayBuffer()], { type: "application/octet-stream" }),
        ),
      );
  }

  async function attempt(making: () => Promise<TemplateMade>) {
    trouble = null;
    try {
      router.go(`/templates/${(await making()).id}`);
    } catch (problem) {
      trouble = problem instanceof Problem ? problem : new Problem(0, String(problem));
    }
  }
</script>

<svelte:head><title>Templates · Loesscape</title></svelte:head>

<TopBar title="Templates" />
<main class="mx-auto max-w-[1040px] px-6 py-7">
  <form onsubmit={make} class:hidden={!isAuthor} class="mb-6 flex flex-wrap items-end gap-3">
    <label class="grid w-80 gap-1 font-semibold"
      >New template
      <input
        class="text-input py-[7px] font-normal"
        placeholder="Title, like Equipment loan agreement"
        maxlength="200"
        bind:value={title}
      />
    </label>
    <button class="button primary py-[7px]">Make it</button>
    <button type="button" class="button ml-auto py-[7px]" onclick={() => chooser.click()}
      >Import a template file</button
    >
    <input
      bind:this={chooser}
      type="file"
      accept=".json,.loess,application/json"
      class="hidden"
      onchange={importFile}
      aria-label="Template file"
    />
  </form>
  {#if trouble}
    <div role="alert" class="mb-6 rounded-xl border border-clay bg-paper px-4 py-3">
      <p class="trouble">
        {trouble.problems.length ? "The file was not imported; nothing was changed." : trouble.message}
      </p>
      <ul class="mt-1 grid gap-1">
        {#each trouble.problems as { path, message } (path + message)}
          <li><span class="key">{path || "/"}</span> {message}</li>
        {/each}
      </ul>
    </div>
  {/if}
  {#await list then { templates }}
    {#if templates.length === 0}
      <div class="rounded-xl border bg-paper px-8 py-12 text-center">
        <h2 class="text-base font-semibold">No templates yet</h2>
        <p class="soft mx-auto mt-1 max-w-md">
          A template is a document that responds to what is filled in. Give the first one a title above, or
          import a template file.
        </p>
      </div>
    {:else}
      <div class="overflow-hidden rounded-xl border bg-paper">
        <Table class="text-ink" divClass="relative overflow-x-auto" border={false}>
          <thead>
            <tr class="border-b text-left text-xs text-soft">
              <th class="px-5 py-2.5 font-semibold">Title</th>
              <th class="px-3 py-2.5 font-semibold">State</th>
              <th class="px-3 py-2.5 font-semibold">Last change</th>
              <th class="px-3 py-2.5 text-right font-semibold">Releases</th>
              <th class="px-5 py-2.5 text-right font-semibold">Records received</th>
            </tr>
          </thead>
          <tbody>
            {#each templates as row (row.id)}
              <tr class="border-b last:border-0 hover:bg-straw">
                <td class="px-5 py-3 text-[14.5px]"
                  ><a
                    class="link no-underline hover:underline"
                    href={`/templates/${row.id}${isAuthor ? "" : "/records"}`}
                    use:inside>{row.title}</a
                  ></td
                >
                <td class="px-3 py-3 whitespace-nowrap">{standings[row.standing]}</td>
                <td class="px-3 py-3 whitespace-nowrap">{dayAndTime(row.changed)}</td>
                <td class="px-3 py-3 text-right tabular-nums">{row.releases}</td>
                <td class="px-5 py-3 text-right tabular-nums">
                  {#if row.records}<a class="link" href={`/templates/${row.id}/records`} use:inside
                      >{row.records}</a
                    >{:else}0{/if}
                </td>
              </tr>
            {/each}
          </tbody>
        </Table>
      </div>
    {/if}
  {:catch problem}
    <NotOpened {problem} />
  {/await}
  {#if isAuthor}<OrganisationSettings />{/if}
  <Accounts />
</main>
