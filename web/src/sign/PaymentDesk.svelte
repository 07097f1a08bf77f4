<script lang="ts">
  import Button from "../ui/light/Button.svelte";
  import { request, said } from "../api/http";
  import type { AtDesk } from "../api/types";
  import { wayBack } from "./payer";
  import NotOpened from "../document/NotOpened.svelte";

  const token = location.pathname.split("/")[2] ?? "";
  let due = $state<AtDesk | null>(null);
  let wrong = $state("");
  const opened = request<AtDesk>("GET", `/api/desk/${token}`).then((told) => (due = told));

  async function end(path: string, body?: object) {
    wrong = "";
    try {
      due = await request<AtDesk>("POST", `/api/desk/${token}${path}`, body);
    } catch (problem) {
      wrong = said(problem);
    }
  }

  const back = wayBack(location.pathname);
  const SAID = {
    open: "",
    approved: "The payment was made.",
    refused: "The payment was refused; nothing was taken.",
    late: "It took too long; nothing was taken.",
  } as const;
</script>

<svelte:head><title>Payment desk</title></svelte:head>

<main class="mx-auto max-w-[460px] px-4 py-12">
  {#await opened}
    <p class="soft text-center" role="status">Opening the desk …</p>
  {:then}
    <div class="rounded-xl border-2 border-dashed bg-paper p-6">
      <p class="soft text-chrome">Simulated payment desk: no money moves</p>
      <h1 class="mt-2 text-xl font-semibold">{due!.purpose}</h1>
      <p class="mt-2 text-2xl">{due!.amount}</p>
      {#if due!.state === "open"}
        <div class="mt-6 grid gap-3">
          <Button look="primary" size="large" onclick={() => end("", { approved: true })}>Pay</Button>
          <Button size="large" onclick={() => end("", { approved: false })}>Have it refused</Button>
          <Button size="large" onclick={() => end("/late")}>Let it take too long</Button>
        </div>
      {:else}
        <p class="mt-4" role="status">{SAID[due!.state]}</p>
        {#if back}<Button look="primary" size="large" class="mt-5" href={back}>Back to the document</Button
          >{:else}
          <p class="soft mt-3">Go back to the document by the link in your message.</p>
        {/if}
      {/if}
      {#if wrong}<p class="trouble mt-3" role="alert">{wrong}</p>{/if}
    </div>
  {:catch problem}
    <div class="text-center"><NotOpened {problem} /></div>
  {/await}
</main>
