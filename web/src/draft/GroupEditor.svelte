<script lang="ts">
  import type { Condition } from "../api/types";
  import { type Clause, isClause, isGroup, isPlain, opened } from "./clauses";
  import ClauseRow from "./ClauseRow.svelte";
  import GroupEditor from "./GroupEditor.svelte";
  import NewClause from "./NewClause.svelte";

  type Change = (now: Condition) => Condition | null;

  let {
    condition,
    except,
    onchange,
  }: {
    condition: Condition;
    /** Fields that cannot be followed here. */
    except: string[];
    /** Changes the condition as it stands by then; to null when nothing is left of it. */
    onchange: (change: Change) => void;
  } = $props();

  type Joint = "all" | "any";
  const partsOf = (it: Condition): Condition[] => (isGroup(it) ? it.conditions : [it]);
  const jointOf = (it: Condition): Joint => (it.type === "any" ? "any" : "all");
  /** Words before a group that is neither all nor any of its conditions. */
  const counted = $derived(
    condition.type === "none"
      ? "none of"
      : condition.type === "atLeast"
        ? `at least ${condition.count} of`
        : "",
  );
  const parts = $derived(partsOf(condition));
  const joint = $derived(jointOf(condition));
  const WORD = { all: "and", any: "or" };
  let adding = $state<{ joint: Joint; to: number | null } | null>(null);

  const grouped = (of: Joint, conditions: Condition[]): Condition | null =>
    conditions.length > 1 ? { type: of, conditions } : (conditions[0] ?? null);
  const regrouped = (now: Condition, conditions: Condition[]): Condition | null => {
    if (!isGroup(now) || now.type === "all" || now.type === "any") return grouped(jointOf(now), conditions);
    if (!conditions.length) return null;
    return now.type === "none"
      ? { type: "none", conditions }
      : { type: "atLeast", count: Math.min(now.count, conditions.length), conditions };
  };
  const change = (at: number, part: Change) =>
    onchange((now) => {
      const all = partsOf(now);
      const to = all[at] ? part(all[at]) : null;
      return regrouped(now, to ? all.with(at, to) : all.toSpliced(at, 1));
    });

  function add(clause: Clause) {
    const { joint: of, to } = adding!;
    adding = null;
    if (to !== null) change(to, (part) => ({ type: of, conditions: [part, clause] }));
    else
      onchange((now) =>
        isGroup(now) ? regrouped(now, [...partsOf(now), clause]) : grouped(of, [now, clause]),
      );
  }

  const ends = $derived<Joint[]>(parts.length > 1 ? [joint] : ["all", "any"]);
  const other = $derived<Joint>(joint === "all" ? "any" : "all");
</script>

<span class="group">
  {#if counted}<span class="block font-semibold">{counted}</span>{/if}
  {#each parts as part, i (i)}
    <span class="block">
      {#if i > 0 && !counted}
        <button
          type="button"
          class="token plain"
          title="Change between and, or"
          onclick={() => onchange((now) => ({ type: other, conditions: partsOf(now) }))}>{WORD[joint]}</button
        >
      {/if}
      {#if isGroup(part)}
        <span class="nested"
          ><GroupEditor condition={part} {except} onchange={(inner) => change(i, inner)} /></span
        >
      {:else if !isClause(part)}
        <span class={part.type === "written" ? "key" : "soft"}
          >{part.type === "written" ? part.formula : isPlain(part) ? part.type : "as the sentence says"}</span
        >
        <button
          type="button"
          class="token bare"
          aria-label="Take this away"
          onclick={() => change(i, () => null)}>×</button
        >
      {:else}
        <ClauseRow
          draft={opened(part)}
          onchange={(clause) => change(i, () => clause)}
          onremove={() => change(i, () => null)}
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
