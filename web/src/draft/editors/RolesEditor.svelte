<script lang="ts">
  import { workingCopy } from "../context";
  import EditorLine from "./EditorLine.svelte";
  import NewRole from "./NewRole.svelte";
  import RoleEditor from "./RoleEditor.svelte";

  const copy = workingCopy();
</script>

<EditorLine title="Roles" wide>
  {#each copy.settings?.roles ?? [] as { role } (role.key)}
    <div class="mb-2"><RoleEditor {role} /></div>
  {/each}
  <NewRole />
</EditorLine>
