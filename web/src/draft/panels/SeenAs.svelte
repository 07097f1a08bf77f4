<script lang="ts">
  import Select from "../../ui/Select.svelte";
  import type { Stage } from "../../api/types";
  import { workingCopy } from "../context";

  const copy = workingCopy();
  const STAGES: { id: Stage; label: string }[] = [
    { id: "filling", label: "Filling in" },
    { id: "reviewing", label: "Reviewing" },
    { id: "finished", label: "Finished" },
    { id: "print", label: "On paper" },
  ];
  const roles = $derived((copy.settings?.roles ?? []).map(({ role }) => role));
</script>

<!-- At which stage, and as whom, the document is seen. -->
<Select
  look="on spruce"
  aria-label="Stage at which the document is seen"
  title="Stage at which the document is seen"
  value={copy.stage}
  onchange={(event) => copy.seeAs(event.currentTarget.value as Stage, copy.role)}
>
  {#each STAGES as { id, label } (id)}<option value={id}>{label}</option>{/each}
</Select>
{#if roles.length}
  <Select
    look="on spruce"
    class="max-w-36"
    aria-label="Role that sees the document"
    title="Role that sees the document"
    value={copy.role}
    onchange={(event) => copy.seeAs(copy.stage, event.currentTarget.value)}
  >
    <option value="">as anybody</option>
    {#each roles as { key, name } (key)}<option value={key}>as {name}</option>{/each}
  </Select>
{/if}
