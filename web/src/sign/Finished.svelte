<script lang="ts">
  import Button from "../ui/light/Button.svelte";
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
      <Button look="primary" size="large" href={`/api/signed/${link}/document.pdf`} download
        >Save the signed document</Button
      >
      <Button size="large" href="/verify">Check a document</Button>
    </div>
  </Message>
{:catch problem}
  <Message title="Nothing here" text=""><NotOpened {problem} /></Message>
{/await}
