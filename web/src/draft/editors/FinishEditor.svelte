<script lang="ts">
  import Button from "../../ui/Button.svelte";
  import Input from "../../ui/Input.svelte";
  import type { Condition, FinishRule } from "../../api/types";
  import ConditionEditor from "../conditions/ConditionEditor.svelte";
  import { workingCopy } from "../context";
  import EditorLine from "./EditorLine.svelte";
  import NewClause from "../conditions/NewClause.svelte";
  import Now from "../margin/Now.svelte";

  const copy = workingCopy();
  const rules = $derived((copy.settings?.finish ?? []).map(({ rule }) => rule));
  let adding = $state(false);

  const change = (make: (now: FinishRule[]) => FinishRule[]) =>
    copy.edit(() => ({ type: "setFinish", finish: make(rules) }));

  function add(when: Condition) {
    adding = false;
    void change((now) => [
      ...now,
      { when, message: "This has to be so before the document can be finished." },
    ]);
  }
</script>

<EditorLine title="Can be finished" wide>
  {#each rules as rule, i (i)}
    <div class="mb-2">
      when <Now met={!copy.unmet.includes(rule.message)} />
      <ConditionEditor
        condition={rule.when}
        onchange={(of) =>
          change((now) => {
            const to = now[i] && of(now[i].when);
            return to ? now.with(i, { ...now[i]!, when: to }) : now.toSpliced(i, 1);
          })}
      />
      <label class="mt-1 flex items-center gap-1"
        ><span class="soft whitespace-nowrap">otherwise</span>
        <Input
          look="token value"
          class="min-w-0 grow"
          aria-label={`What the reader is told, condition ${i + 1}`}
          shows={rule.message}
          onchange={(event) => {
            const message = event.currentTarget.value.trim();
            if (message) void change((now) => (now[i] ? now.with(i, { ...now[i], message }) : now));
            else event.currentTarget.value = rule.message;
          }}
        />
        <Button
          look="token faint"
          aria-label={`Take condition ${i + 1} for finishing away`}
          onclick={() => change((now) => now.toSpliced(i, 1))}>×</Button
        ></label
      >
    </div>
  {/each}
  {#if adding}
    when <NewClause except={[]} onadd={add} oncancel={() => (adding = false)} />
  {:else}
    <Button look="token add" onclick={() => (adding = true)}
      >{rules.length ? "another condition for finishing" : "only when …"}</Button
    >
  {/if}
</EditorLine>
