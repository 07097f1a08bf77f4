<script lang="ts">
  import { workingCopy } from "../context";
  import EditorLine from "./EditorLine.svelte";
  import Picker from "../../ui/Picker.svelte";

  let { keys, role }: { keys: string[]; role: string } = $props();

  const copy = workingCopy();
  const roles = $derived([
    { id: "", label: "whoever fills in" },
    ...(copy.settings?.roles ?? []).map(({ role: it }) => ({ id: it.key, label: it.name })),
  ]);
</script>

{#if roles.length > 1}
  <EditorLine title="Answered by">
    <Picker
      label="Answered by"
      text={roles.find(({ id }) => id === role)?.label ?? role}
      options={roles}
      chosen={[role]}
      onpick={(to) => copy.edit({ type: "setRole", keys, role: to })}
    />
  </EditorLine>
{/if}
