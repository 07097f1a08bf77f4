<script lang="ts">
  import Alert from "../../ui/Alert.svelte";
  import FileButton from "../../ui/FileButton.svelte";
  import { said } from "../../api/http";
  import Button from "../../ui/Button.svelte";
  import { getContext } from "svelte";
  import { FILES, type FileKeeper } from "../../document/files";

  let { file, of, onchange }: { file: string; of: string; onchange: (name: string) => void } = $props();

  const files = getContext<FileKeeper>(FILES);
  let wrong = $state("");

  async function hand(chosen: File) {
    wrong = "";
    try {
      onchange(await files.bring(chosen));
    } catch (problem) {
      wrong = said(problem);
    }
  }
</script>

<span class="inline-flex items-center gap-1">
  {#if file}<img src={files.picture(file)} alt="" class="h-6 max-w-10 rounded-sm object-contain" />{/if}
  <FileButton look="token" accept="image/png,image/jpeg,image/svg+xml" onfile={hand}
    >{file ? "another picture" : "a picture …"}<span class="sr-only"> for {of}</span></FileButton
  >
  {#if file}<Button
      look="token faint"
      aria-label={`Take the picture of ${of} away`}
      onclick={() => onchange("")}>×</Button
    >{/if}
</span>
{#if wrong}<Alert class="text-xs">{wrong}</Alert>{/if}
