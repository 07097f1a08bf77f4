<script lang="ts">
  import { Asking } from "../api/asking.svelte";
  import Outcome from "../ui/Outcome.svelte";
  import TableHead from "../ui/TableHead.svelte";
  import Table from "../ui/Table.svelte";
  import Button from "../ui/Button.svelte";
  import Input from "../ui/Input.svelte";
  import { request } from "../api/http";
  import type { TemplateMade, TemplateStanding, TemplateList } from "../api/types";
  import { inside, router } from "../router.svelte";
  import { dayAndTime } from "../times";
  import { session } from "../session.svelte";
  import Accounts from "./Accounts.svelte";
  import OrganisationSettings from "./OrganisationSettings.svelte";
  import ImportFile from "./ImportFile.svelte";
  import TopBar from "./TopBar.svelte";
  import NotOpened from "../document/NotOpened.svelte";

  let list = $state(request<TemplateList>("GET", "/api/templates"));
  let title = $state("");
  const making = new Asking();
  const isAuthor = $derived(session.value?.role === "author");

  const standings: Record<TemplateStanding, string> = {
    neverReleased: "never released",
    released: "released",
    changedSinceRelease: "changed since release",
  };

  function make(event: SubmitEvent) {
    event.preventDefault();
    void begin(() => request<TemplateMade>("POST", "/api/templates", { title }));
  }

  const begin = (made: () => Promise<TemplateMade>) =>
    making.run(async () => router.go(`/templates/${(await made()).id}`));
</script>

<svelte:head><title>Templates · Loesscape</title></svelte:head>

<TopBar title="Templates" />
<main class="mx-auto max-w-[1040px] px-6 py-7">
  <div class:hidden={!isAuthor} class="mb-6 flex flex-wrap items-end gap-3">
    <form onsubmit={make} class="flex flex-wrap items-end gap-3">
      <label class="grid w-80 gap-1 font-semibold"
        >New template
        <Input
          height="tall"
          placeholder="Title, like Equipment loan agreement"
          maxlength={200}
          bind:value={title}
        />
      </label>
      <Button look="primary" size="tall" type="submit">Make it</Button>
    </form>
    <ImportFile />
  </div>
  <Outcome asking={making} class="mb-6" />
  {#await list then { templates }}
    {#if templates.length === 0}
      <div class="rounded-xl border bg-paper px-8 py-12 text-center">
        <h2 class="text-base font-semibold">No templates yet</h2>
        <p class="soft mx-auto mt-1 max-w-md">
          A template is a document that responds to what is filled in. Give the first one a title above, or
          bring a PDF form that is in use.
        </p>
      </div>
    {:else}
      <Table
        >{#snippet heads()}
          <TableHead outer>Title</TableHead>
          <TableHead>State</TableHead>
          <TableHead>Last change</TableHead>
          <TableHead numeric>Releases</TableHead>
          <TableHead outer numeric>Records received</TableHead>
        {/snippet}{#snippet body()}
          {#each templates as row (row.id)}
            <tr class="border-b last:border-0 hover:bg-straw">
              <td class="px-5 py-3 text-sheet"
                ><a
                  class="link no-underline hover:underline"
                  href={`/templates/${row.id}${isAuthor ? "" : "/records"}`}
                  {@attach inside}>{row.title}</a
                ></td
              >
              <td class="px-3 py-3 whitespace-nowrap">{standings[row.standing]}</td>
              <td class="px-3 py-3 whitespace-nowrap">{dayAndTime(row.changed)}</td>
              <td class="px-3 py-3 text-right tabular-nums">{row.releases}</td>
              <td class="px-5 py-3 text-right tabular-nums">
                {#if row.records}<a class="link" href={`/templates/${row.id}/records`} {@attach inside}
                    >{row.records}</a
                  >{:else}0{/if}
              </td>
            </tr>
          {/each}
        {/snippet}</Table
      >
    {/if}
  {:catch problem}
    <NotOpened {problem} />
  {/await}
  {#if isAuthor}<OrganisationSettings />{/if}
  <Accounts />
</main>
