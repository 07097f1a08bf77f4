<script lang="ts">
  import FileButton from "../ui/FileButton.svelte";
  import FileDrop from "../ui/FileDrop.svelte";
  import ReturnedFile from "./ReturnedFile.svelte";

  let { template, ontaken }: { template: string; ontaken: () => unknown } = $props();

  let brought = $state.raw<File[]>([]);
  let isOver = $state(false);

  const bring = (file: File) => (brought = [file, ...brought]);
</script>

<!-- Forms that were filled in elsewhere, and tables: chosen, or dropped anywhere on the page. -->
<FileDrop bind:isOver onfiles={(files) => files.forEach(bring)} />
<div class={["bring", isOver && "over"]}>
  <FileButton several accept=".pdf,.docx,.xfdf,.fdf,.csv,.tsv,.txt,.json" onfile={bring}
    >Bring filled forms</FileButton
  >
  <span class="soft text-note"
    >{isOver
      ? "Let them go here."
      : "PDF, DOCX, XFDF, FDF, CSV or JSON; drop them anywhere on this page."}</span
  >
</div>
{#if brought.length}
  <div class="brought">
    {#each brought as file (file)}
      <ReturnedFile
        {template}
        {file}
        {ontaken}
        onputaway={() => (brought = brought.filter((other) => other !== file))}
      />
    {/each}
  </div>
{/if}

<style>
  .bring {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 4px 12px;
    margin-inline: -6px;
    padding: 4px 6px;
    border-radius: 5px;
  }

  .over {
    outline: 2px dashed var(--color-river);
    outline-offset: 3px;
  }

  .brought {
    display: grid;
    gap: 10px;
    margin-block: 10px;
    text-align: start;
  }
</style>
