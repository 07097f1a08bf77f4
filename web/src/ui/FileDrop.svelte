<script lang="ts">
  let {
    isOver = $bindable(false),
    onfiles,
  }: {
    /** Whether files are held over the page. */
    isOver?: boolean;
    onfiles: (files: File[]) => unknown;
  } = $props();

  function drop(event: DragEvent) {
    event.preventDefault();
    isOver = false;
    const files = [...(event.dataTransfer?.files ?? [])];
    if (files.length) void onfiles(files);
  }
</script>

<!-- Takes files that are dropped anywhere on the page. -->
<svelte:window
  ondragover={(event) => {
    if (!event.dataTransfer?.types.includes("Files")) return;
    event.preventDefault();
    isOver = true;
  }}
  ondragleave={(event) => event.relatedTarget === null && (isOver = false)}
  ondrop={drop}
/>
