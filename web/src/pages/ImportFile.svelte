<script lang="ts">
  import Alert from "../ui/Alert.svelte";
  import { Asking } from "../api/asking.svelte";
  import { request } from "../api/http";
  import type { TemplateImported } from "../api/types";
  import { inside, router } from "../router.svelte";
  import Button from "../ui/Button.svelte";
  import FileButton from "../ui/FileButton.svelte";
  import FileDrop from "../ui/FileDrop.svelte";
  import Input from "../ui/Input.svelte";
  import Outcome from "../ui/Outcome.svelte";

  const asking = new Asking();
  let file = $state.raw<File | null>(null);
  let password = $state("");
  let made = $state.raw<TemplateImported | null>(null);
  let isOver = $state(false);
  const isLocked = $derived(asking.trouble?.type === "/problems/password");

  const take = (brought: File) => {
    file = brought;
    password = "";
    return bring();
  };

  const bring = () =>
    asking.run(async () => {
      made = null;
      const path = `/api/templates/import?name=${encodeURIComponent(file!.name)}`;
      const along: Record<string, string> = password
        ? { "X-Document-Password": encodeURIComponent(password) }
        : {};
      const imported = await request<TemplateImported>("POST", path, file, along);
      password = "";
      if (imported.remarks.length) made = imported;
      else router.go(`/templates/${imported.id}`);
    });
</script>

<FileDrop bind:isOver onfiles={([dropped]) => take(dropped!)} />

<!-- A file that becomes a template: chosen, or dropped anywhere on the page. -->
<div class={["bring", isOver && "over"]}>
  <FileButton
    size="tall"
    accept=".pdf,.docx,.docm,.dotx,.odt,.ott,.json,.loess,application/pdf,application/json"
    onfile={take}>{asking.busy ? "Reading …" : "Bring a file"}</FileButton
  >
  <p class="soft text-note">
    A PDF, DOCX, ODT or template file. {isOver ? "Let it go here." : "Drop it anywhere on this page."}
  </p>
</div>
{#if isLocked}
  <form
    class="told"
    onsubmit={(event) => {
      event.preventDefault();
      void bring();
    }}
  >
    <label class="grid gap-1 font-semibold"
      >{asking.trouble?.message}
      <Input type="password" autocomplete="off" bind:value={password} /></label
    >
    <Button type="submit" look="primary">Open it</Button>
  </form>
{:else if asking.trouble?.problems.length}
  <Alert look="framed" class="basis-full">
    <p class="trouble">The file was not imported; nothing was changed.</p>
    <ul class="mt-1 grid gap-1">
      {#each asking.trouble.problems as { path, message } (path + message)}
        <li><span class="key">{path || "/"}</span> {message}</li>
      {/each}
    </ul>
  </Alert>
{:else if made}
  <div role="status" class="told">
    <p class="font-semibold">A template was made of “{file?.name}”.</p>
    <ul class="my-1 grid list-disc gap-1 pl-5">
      {#each made.remarks as remark (remark)}<li>{remark}</li>{/each}
    </ul>
    <p class="flex gap-3">
      <a class="link" href={`/templates/${made.id}`} {@attach inside}>Open it</a>
      <Button look="bare" class="soft underline" onclick={() => (made = null)}>Stay here</Button>
    </p>
  </div>
{:else}<Outcome {asking} class="told" />{/if}

<style>
  .bring {
    display: flex;
    align-items: center;
    gap: 12px;
    margin-left: auto;
    padding: 4px 6px;
    border-radius: 5px;
  }

  .over {
    outline: 2px dashed var(--color-river);
    outline-offset: 3px;
  }

  .told {
    flex-basis: 100%;
    padding: 12px 16px;
    border: 1px solid var(--color-line);
    border-radius: 5px;
    background: var(--color-paper);
  }

  form.told {
    display: flex;
    flex-wrap: wrap;
    align-items: end;
    gap: 12px;
  }
</style>
