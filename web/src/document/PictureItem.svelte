<script lang="ts">
  import { getContext } from "svelte";
  import type { Picture } from "../api/types";
  import { readFiles } from "./answers";
  import { FILES, type FileKeeper } from "./files";

  let {
    picture,
    typed,
  }: {
    picture: Picture;
    /** What stands in the field that the picture follows. */
    typed: string;
  } = $props();

  const files = getContext<FileKeeper>(FILES);
  const answer = $derived(picture.follows ? readFiles(typed)[0] : undefined);
  const source = $derived(answer ? files.url(answer.id) : picture.file ? files.picture(picture.file) : "");
</script>

{#if source}<img src={source} alt={picture.label} class="max-h-80 max-w-full rounded-md" />{/if}
