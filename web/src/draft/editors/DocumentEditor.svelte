<script lang="ts">
  import { onMount } from "svelte";
  import type { MadeOf } from "../../api/types";
  import Button from "../../ui/Button.svelte";
  import { request } from "../../api/http";
  import { workingCopy } from "../context";
  import EditorLine from "./EditorLine.svelte";
  import FindingList from "./FindingList.svelte";
  import FinishEditor from "./FinishEditor.svelte";
  import ListsEditor from "./ListsEditor.svelte";
  import PageSettingsEditor from "./PageSettingsEditor.svelte";
  import RefusedEdit from "./RefusedEdit.svelte";
  import RolesEditor from "./RolesEditor.svelte";
  import SharedEditor from "./SharedEditor.svelte";

  const copy = workingCopy();
  const findings = $derived(copy.findings);
  const trials = $derived(copy.settings?.trials ?? []);
  /** The block that is about to be taken away, once that is confirmed. */
  let leaving = $state("");

  /** What the document of a word processor was called that the template was made of; empty where there was none. */
  let madeOf = $state("");
  const original = `/api/templates/${copy.template}/original`;
  onMount(async () => {
    madeOf = (await request<MadeOf>("GET", `${original}/about`).catch(() => ({ name: "" }))).name;
  });

  async function remove(block: string) {
    await request<void>("DELETE", `/api/blocks/${encodeURIComponent(block)}`);
    leaving = "";
    await copy.loadBlocks();
  }
</script>

<!-- What belongs to the document as a whole. -->
<section class="editor-card" aria-label="The document as a whole">
  <header class="mb-1.5 flex items-center gap-2">
    <h3 class="text-sm font-semibold">The document as a whole</h3>
    <Button look="token faint" class="ml-auto" aria-label="Close" onclick={() => copy.openDocument(false)}
      >×</Button
    >
  </header>
  <RefusedEdit />
  <FinishEditor />
  <SharedEditor />
  <RolesEditor />
  <ListsEditor />
  <PageSettingsEditor />
  {#if madeOf}
    <EditorLine title="Made of" wide>
      <a class="link min-w-0 truncate" href={original} download>{madeOf}, as it was brought</a>
    </EditorLine>
  {/if}
  {#if trials.length}
    <EditorLine title="Trials" wide>
      {#each trials as trial (trial.name)}
        <div class="flex items-center gap-1">
          <b class="min-w-0 truncate">{trial.name}</b>
          <span class="soft whitespace-nowrap">{trial.answers} answers</span>
          <Button look="token" class="ml-auto" onclick={() => copy.tryTrial(trial.name)}>type these</Button>
          <Button
            look="token faint"
            aria-label={`Take the trial ${trial.name} away`}
            onclick={() => copy.edit({ type: "removeTrial", name: trial.name })}>×</Button
          >
        </div>
      {/each}
    </EditorLine>
  {/if}
  {#if copy.blocks.length}
    <EditorLine title="My library" wide>
      {#each copy.blocks as { id, name, version } (id)}
        <div class="flex items-center gap-1">
          <b class="min-w-0 truncate">{name}</b>
          <span class="soft whitespace-nowrap">version {version}</span>
          {#if leaving === id}
            <Button look="token" class="ml-auto" onclick={() => remove(id)}
              >Take it away; sections made from it stay</Button
            >
          {:else}
            <Button
              look="token faint"
              class="ml-auto"
              aria-label={`Take the block ${name} away`}
              onclick={() => (leaving = id)}>×</Button
            >
          {/if}
        </div>
      {/each}
    </EditorLine>
  {/if}
  {#if findings.length}
    <EditorLine title="Findings" wide><FindingList {findings} named /></EditorLine>
  {/if}
</section>
