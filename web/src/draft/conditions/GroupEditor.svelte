<script lang="ts">
  import Button from "../../ui/Button.svelte";
  import Input from "../../ui/Input.svelte";
  import type { Condition } from "../../api/types";
  import { isClause, isGroup, opened } from "./clauses";
  import ClauseRow from "./ClauseRow.svelte";
  import GroupEditor from "./GroupEditor.svelte";
  import LeafRow from "./LeafRow.svelte";
  import NewClause from "./NewClause.svelte";
  import Picker from "../../ui/Picker.svelte";

  type Change = (now: Condition) => Condition | null;

  let {
    condition,
    except,
    rows = null,
    onchange,
  }: {
    condition: Condition;
    /** Fields that cannot be followed here. */
    except: string[];
    /** The repeating section whose row is at hand; null outside of rows. */
    rows?: string | null;
    /** Changes the condition as it stands by then; to null when nothing is left of it. */
    onchange: (change: Change) => void;
  } = $props();

  type Joint = "all" | "any";
  const partsOf = (it: Condition): Condition[] => (isGroup(it) ? it.conditions : [it]);
  const parts = $derived(partsOf(condition));
  const kind = $derived(isGroup(condition) ? condition.type : "all");
  /** Whether its parts are joined by a word; otherwise it counts them. */
  const isJoined = $derived(kind === "all" || kind === "any");
  const WORD = { all: "and", any: "or" };
  const KINDS = [
    { id: "all", label: "all of" },
    { id: "any", label: "any of" },
    { id: "none", label: "none of" },
    { id: "atLeast", label: "at least" },
  ];
  let adding = $state<{ joint: Joint; to: number | null } | null>(null);

  const regrouped = (now: Condition, conditions: Condition[]): Condition | null => {
    if (!conditions.length) return null;
    if (!isGroup(now)) return conditions.length > 1 ? { type: "all", conditions } : conditions[0]!;
    switch (now.type) {
      case "none":
        return { type: "none", conditions };
      case "atLeast":
        return { type: "atLeast", count: Math.min(now.count, conditions.length), conditions };
      default:
        return conditions.length > 1 ? { type: now.type, conditions } : conditions[0]!;
    }
  };
  const change = (at: number, part: Change) =>
    onchange((now) => {
      const all = partsOf(now);
      const to = all[at] ? part(all[at]) : null;
      return regrouped(now, to ? all.with(at, to) : all.toSpliced(at, 1));
    });

  /** What is said more is one part more; said with the other word, it stands against the whole. */
  function add(more: Condition) {
    const { joint, to } = adding!;
    adding = null;
    if (to !== null) change(to, (part) => ({ type: joint, conditions: [part, more] }));
    else
      onchange((now) =>
        isGroup(now) && (now.type === joint || (now.type !== "all" && now.type !== "any"))
          ? { ...now, conditions: [...now.conditions, more] }
          : { type: joint, conditions: [now, more] },
      );
  }

  const turn = (to: string) =>
    onchange((now) =>
      to === "atLeast"
        ? { type: "atLeast", count: Math.min(2, partsOf(now).length), conditions: partsOf(now) }
        : { type: to as "all" | "any" | "none", conditions: partsOf(now) },
    );
  const ends = $derived<Joint[]>(isJoined ? ["all", "any"] : ["all"]);
  const other = $derived<Joint>(kind === "all" ? "any" : "all");
</script>

<span class="group">
  {#if parts.length > 1 || !isJoined}
    <span class="block">
      <Picker
        label="How many of these"
        text={KINDS.find(({ id }) => id === kind)!.label}
        options={KINDS}
        chosen={[kind]}
        onpick={turn}
      />
      {#if condition.type === "atLeast"}
        <Input
          look="token value"
          width="3rem"
          type="number"
          min="1"
          max={parts.length}
          aria-label="The least number of these"
          shows={condition.count}
          onchange={(event) => {
            const count = event.currentTarget.valueAsNumber;
            if (count >= 1 && count <= parts.length)
              onchange((now) => (now.type === "atLeast" ? { ...now, count } : now));
          }}
        /> of
      {/if}
    </span>
  {/if}
  {#each parts as part, i (i)}
    <span class="block">
      {#if i > 0 && isJoined}
        <Button look="token" title="Change between and, or" onclick={() => turn(other)}
          >{WORD[kind as Joint]}</Button
        >
      {/if}
      {#if isGroup(part)}
        <span class="nested"
          ><GroupEditor condition={part} {except} {rows} onchange={(inner) => change(i, inner)} /></span
        >
      {:else}
        {#if isClause(part)}
          <ClauseRow
            draft={opened(part)}
            {rows}
            onchange={(clause) => change(i, () => clause)}
            onremove={() => change(i, () => null)}
          />
        {:else}
          <LeafRow
            leaf={part}
            {except}
            {rows}
            onchange={(to) => change(i, (now) => to(now))}
            onremove={() => change(i, () => null)}
          />
        {/if}
        {#if parts.length > 1}
          {#if adding?.to === i}
            <span class="nested"
              ><NewClause {except} {rows} onadd={add} oncancel={() => (adding = null)} /></span
            >
          {:else}
            <Button
              look="token faint"
              title={`A group: this ${WORD[other]} another`}
              onclick={() => (adding = { joint: other, to: i })}>({WORD[other]} …)</Button
            >
          {/if}
        {/if}
      {/if}
    </span>
  {/each}
  {#if adding && adding.to === null}
    <span class="block"
      >{isJoined ? WORD[adding.joint] : ""}
      <NewClause {except} {rows} onadd={add} oncancel={() => (adding = null)} /></span
    >
  {:else}
    {#each ends as of (of)}
      <Button
        look="token add"
        title={of === kind || parts.length < 2 || !isJoined
          ? "One more"
          : `All of the above, ${WORD[of]} something else`}
        onclick={() => (adding = { joint: of, to: null })}>{isJoined ? WORD[of] : "another"} …</Button
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
