<script lang="ts">
  import { setContext } from "svelte";
  import { ownHeaders } from "../api/http";
  import { FILES, keeperAt } from "../document/files";
  import DocumentForm from "./DocumentForm.svelte";
  import { Filling } from "./filling.svelte";
  import ThankYou from "./ThankYou.svelte";
  import NotOpened from "../document/NotOpened.svelte";

  const filling = new Filling(location.pathname.split("/")[2] ?? "");
  const opened = filling.open();
  setContext(
    FILES,
    keeperAt(`/api/fill/${filling.link}/files`, `/api/fill/${filling.link}/pictures`, ownHeaders),
  );
</script>

<svelte:head><title>{filling.sheet?.title ?? "Loesscape"}</title></svelte:head>

{#await opened}
  <p class="soft p-10 text-center" role="status">Opening the document …</p>
{:then}
  {#if filling.record !== null}
    <ThankYou {filling} record={filling.record} />
  {:else}
    <DocumentForm {filling} />
  {/if}
{:catch problem}
  <main class="mx-auto mt-24 max-w-md px-6 text-center">
    <h1 class="text-lg font-semibold">This document cannot be opened</h1>
    <div class="mt-2"><NotOpened {problem} /></div>
  </main>
{/await}
