<script lang="ts">
  import Button from "../../ui/Button.svelte";
  import Input from "../../ui/Input.svelte";
  import type { Condition, LookRule, Node } from "../../api/types";
  import { PLAIN } from "../../document/looks";
  import ConditionEditor from "../conditions/ConditionEditor.svelte";
  import { workingCopy } from "../context";
  import EditorLine from "./EditorLine.svelte";
  import LookPicker from "./LookPicker.svelte";
  import NewClause from "../conditions/NewClause.svelte";

  let { node }: { node: Extract<Node, { type: "field" | "section" | "notice" }> } = $props();

  const copy = workingCopy();
  const rows = $derived(node.type === "section" && node.rows ? node.key : copy.around(node.key));
  const inRows = $derived(node.type === "field" && rows !== null);
  let adding = $state(false);

  const change = (make: (now: LookRule[]) => LookRule[]) =>
    copy.edit(() => {
      const now = copy.view(node.key).node;
      return { type: "setLooks", keys: [node.key], looks: make("looks" in now ? now.looks : []) };
    });
  const put = (at: number, part: Partial<LookRule>) =>
    change((now) => (now[at] ? now.with(at, { ...now[at], ...part }) : now));

  function add(when: Condition) {
    adding = false;
    void change((now) => [
      ...now,
      { when, look: { ...PLAIN, shade: "ochre", bold: true, mark: "warning" }, extent: "item" },
    ]);
  }
</script>

<EditorLine title="Turns" wide={node.looks.length > 0}>
  {#each node.looks as rule, i (i)}
    <div class="mb-2">
      <div class="flex flex-wrap items-center gap-1">
        <LookPicker
          look={rule.look}
          of={`look ${i + 1}`}
          onchange={(part) => put(i, { look: { ...rule.look, ...part } })}
        />
        <Input
          look="token value"
          class="min-w-0"
          size={14}
          aria-label={`Words of look ${i + 1}`}
          placeholder="no words"
          shows={rule.look.words}
          onchange={(event) => put(i, { look: { ...rule.look, words: event.currentTarget.value.trim() } })}
        />
        {#if inRows}
          <Button
            look="token"
            pressed={rule.extent === "row"}
            onclick={() => put(i, { extent: rule.extent === "row" ? "item" : "row" })}>whole row</Button
          >
        {/if}
        {#if i > 0}
          <Button
            look="token faint"
            aria-label={`Try look ${i + 1} earlier`}
            title="Try it earlier"
            onclick={() => change((now) => now.toSpliced(i - 1, 2, now[i]!, now[i - 1]!))}>↑</Button
          >
        {/if}
        <Button
          look="token faint"
          aria-label={`Take look ${i + 1} away`}
          onclick={() => change((now) => now.toSpliced(i, 1))}>×</Button
        >
      </div>
      when
      <ConditionEditor
        condition={rule.when}
        {rows}
        onchange={(of) =>
          change((now) => {
            const to = now[i] && of(now[i].when);
            return to ? now.with(i, { ...now[i]!, when: to }) : now.toSpliced(i, 1);
          })}
      />
    </div>
  {/each}
  {#if adding}
    when <NewClause except={[]} {rows} onadd={add} oncancel={() => (adding = false)} />
  {:else}
    <Button look="token add" onclick={() => (adding = true)}>add a look</Button>
  {/if}
</EditorLine>
