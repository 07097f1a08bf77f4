<script lang="ts">
  import { getContext } from "svelte";
  import { FILES, type FileKeeper } from "../../document/files";

  let { file, of, onchange }: { file: string; of: string; onchange: (name: string) => void } = $props();

  const files = getContext<FileKeeper>(FILES);
  let wrong = $state("");
  let input: HTMLInputElement;

  async function hand() {
    const chosen = input.files?.[0];
    input.value = "";
    if (!chosen) return;
    wrong = "";
    try {
      onchange(await files.bring(chosen));
    } catch (problem) {
      wrong = problem instanceof Error ? problem.message : String(problem);
    }
  }
</script>

<span class="inline-flex items-center gap-1">
  {#if file}<img src={files.picture(file)} alt="" class="h-6 max-w-10 rounded-sm object-contain" />{/if}
  <button type="button" class="token plain" onclick={() => input.click()}
    >{file ? "another picture" : "a picture …"}<span class="sr-only"> for {of}</span></button
  >
  {#if file}<button
      type="button"
      class="token bare"
      aria-label={`Take the picture of ${of} away`}
      onclick={() => onchange("")}>×</button
    >{/if}
  <input
    type="file"
    class="hidden"
    accept="image/png,image/jpeg,image/svg+xml"
    tabindex="-1"
    aria-hidden="true"
    bind:this={input}
    onchange={hand}
  />
</span>
{#if wrong}<p class="trouble text-xs" role="alert">{wrong}</p>{/if}
