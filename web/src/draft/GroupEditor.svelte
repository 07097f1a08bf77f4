<script lang="ts">
  import type { Condition } from "../api/types";
  import { type Clause, isGroup, isPlain, opened } from "./clauses";
  import ClauseRow from "./ClauseRow.svelte";
  import GroupEditor from "./GroupEditor.svelte";
  import NewClause from "./NewClause.svelte";

  let {
    condition,
    except,
    onchange,
  }: {
    condition: Condition;
    /** Fields that cannot be followed here. */
    except: string[];
    /** The new condition; null when nothing is left of it. */
    onchange: (condition: Condition | null) => void;
  } = $props();

  type Joint = "all" | "any";
  const parts = $derived(isGroup(condition) ? condition.conditions : [condition]);
  const joint = $derived<Joint>(condition.type === "any" ? "any" : "all");
  const WORD = { all: "and", any: "or" };
  let adding = $state<{ joint: Joint; to: number | null } | null>(null);

  const grouped = (of: Joint, conditions: Condition[]): Condition | null =>
    conditions.length > 1 ? { type: of, conditions } : (conditions[0] ?? null);
  const changed = (at: number, part: Condition | null) =>
    onchange(grouped(joint, part ? parts.with(at, part) : parts.toSpliced(at, 1)));

  function add(clause: Clause) {
    const { joint: of, to } = adding!;
    adding = null;
    if (to === null) onchange(grouped(parts.length > 1 ? joint : of, [...parts, clause]));
    else changed(to, { type: of, conditions: [parts[to]!, clause] });
  }

  const ends = $derived<Joint[]>(parts.length > 1 ? [joint] : ["all", "any"]);
  const other = $derived<Joint>(joint === "all" ? "any" : "all");
</script>

<span class="group">
  {#each parts as part, i (i)}
    <span class="block">
      {#if i > 0}
        <button
          type="button"
          class="token plain"
          title="Change between and, or"
          onclick={() => onchange({ type: other, conditions: parts })}>{WORD[joint]}</button
        >
      {/if}
      {#if isGroup(part)}
        <span class="nested"
          ><GroupEditor condition={part} {except} onchange={(inner) => changed(i, inner)} /></span
        >
      {:else if isPlain(part)}
        <span>{part.type}</span>
        <button type="button" class="token bare" aria-label="Take this away" onclick={() => changed(i, null)}
          >×</button
        >
      {:else}
        <ClauseRow
          draft={opened(part)}
          onchange={(clause) => changed(i, clause)}
          onremove={() => changed(i, null)}
        />
        {#if parts.length > 1}
          {#if adding?.to === i}
            <span class="nested"><NewClause {except} onadd={add} oncancel={() => (adding = null)} /></span>
          {:else}
            <button
              type="button"
              class="token bare"
              title={`A group: this ${WORD[other]} another`}
              onclick={() => (adding = { joint: other, to: i })}>{WORD[other]} …</button
            >
          {/if}
        {/if}
      {/if}
    </span>
  {/each}
  {#if adding && adding.to === null}
    <span class="block"
      >{WORD[parts.length > 1 ? joint : adding.joint]}
      <NewClause {except} onadd={add} oncancel={() => (adding = null)} /></span
    >
  {:else}
    {#each ends as of (of)}
      <button type="button" class="token add" onclick={() => (adding = { joint: of, to: null })}
        >{WORD[of]} …</button
      >
    {/each}
  {/if}
</span>

<style>
  .block {
    display: block;
    margin-bottom: 3px;
  }

  .nested {
    display: block;
    border-left: 2px solid var(--color-straw-line);
    padding-left: 8px;
    margin: 3px 0 3px 6px;
  }
</style>
