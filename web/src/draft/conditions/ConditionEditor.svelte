<script lang="ts">
  import type { Condition } from "../../api/types";
  import { workingCopy } from "../context";
  import GroupEditor from "./GroupEditor.svelte";

  let {
    condition,
    rows = null,
    onchange,
  }: {
    condition: Condition;
    /** The repeating section whose row is at hand; null outside of rows. */
    rows?: string | null;
    /** Changes the condition as it stands by then; to null when nothing is left of it. */
    onchange: (change: (now: Condition) => Condition | null) => void;
  } = $props();

  const copy = workingCopy();
  const shared = $derived(condition.type === "shared" ? copy.shared.get(condition.condition) : undefined);
</script>

<!-- A condition that belongs to something in a list: a look, a check. -->
{#if shared?.name}
  <span class="token plain">{shared.name}</span>
{:else}
  <GroupEditor
    condition={shared?.condition ?? condition}
    except={[]}
    {rows}
    onchange={(change) =>
      onchange((now) =>
        change(now.type === "shared" ? (copy.shared.get(now.condition)?.condition ?? now) : now),
      )}
  />
{/if}
