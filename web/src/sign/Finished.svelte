<script lang="ts">
  import { request } from "../api/http";
  import type { SignedTitle } from "../api/types";
  import Message from "./Message.svelte";
  import NotOpened from "../document/NotOpened.svelte";

  const link = location.pathname.split("/")[2] ?? "";
  const opened = request<SignedTitle>("GET", `/api/signed/${link}`);
</script>

<svelte:head><title>Signed document</title></svelte:head>

{#await opened}
  <p class="soft p-10 text-center" role="status">Opening …</p>
{:then { title }}
  <Message
    {title}
    text="All have signed. The document is sealed: whoever changes it breaks the seal, and anybody can see that."
  >
    <div class="flex flex-wrap gap-3">
      <a class="button primary px-4 py-2 text-[14.5px]" href={`/api/signed/${link}/document.pdf`} download
        >Save the signed document</a
      >
      <a class="button px-4 py-2 text-[14.5px]" href="/verify">Check a document</a>
    </div>
  </Message>
{:catch problem}
  <Message title="Nothing here" text=""><NotOpened {problem} /></Message>
{/await}
