<script lang="ts">
  import type { Component } from "svelte";
  import { provide } from "../draft/context";
  import type { WorkingCopy } from "../draft/workingCopy.svelte";

  let {
    copy,
    of: Of,
    about,
  }: {
    copy: WorkingCopy;
    // eslint-disable-next-line @typescript-eslint/no-explicit-any -- any component of the Draft view
    of: Component<any>;
    about: Record<string, unknown>;
  } = $props();

  // svelte-ignore state_referenced_locally (a test has one working copy)
  provide(copy);
</script>

<!-- A component of the Draft view, around a working copy. -->
<Of {...about} />
