<script lang="ts">
  import type { Condition } from "../api/types";
  import { isClause, isGroup, isPlain } from "./clauses";
  import { workingCopy } from "./context";
  import GroupEditor from "./GroupEditor.svelte";

  let {
    condition,
    onchange,
  }: {
    condition: Condition;
    /** Changes the condition as it stands by then; to null when nothing is left of it. */
    onchange: (change: (now: Condition) => Condition | null) => void;
  } = $props();

  const copy = workingCopy();
  const shared = $derived(condition.type === "shared" ? copy.shared.get(condition.condition) : undefined);
  const isTokens = (it: Condition): boolean =>
    isGroup(it) ? it.conditions.every(isTokens) : isPlain(it) || isClause(it);
</script>

<!-- A condition that belongs to something in a list: a look, a check. -->
{#if shared?.name}
  <span class="token plain">{shared.name}</span>
{:else if isTokens(shared?.condition ?? condition)}
  <GroupEditor
    condition={shared?.condition ?? condition}
    except={[]}
    onchange={(change) =>
      onchange((now) =>
        change(now.type === "shared" ? (copy.shared.get(now.condition)?.condition ?? now) : now),
      )}
  />
{:else}
  <span class="soft">{condition.type === "written" ? condition.formula : "as it says in the margin"}</span>
{/if}
