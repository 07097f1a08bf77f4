<script lang="ts">
  import Button from "../../ui/Button.svelte";
  import Input from "../../ui/Input.svelte";
  import type { Check, Condition, Field } from "../../api/types";
  import ConditionEditor from "../conditions/ConditionEditor.svelte";
  import { workingCopy } from "../context";
  import EditorLine from "./EditorLine.svelte";
  import NewClause from "../conditions/NewClause.svelte";

  let { field }: { field: Field } = $props();

  const copy = workingCopy();
  let adding = $state(false);

  const change = (make: (now: Check[]) => Check[]) =>
    copy.editNode(field.key, "field", (now) => ({
      type: "setChecks",
      key: now.key,
      checks: make(now.checks),
    }));

  function add(refusedWhen: Condition) {
    adding = false;
    void change((now) => [...now, { refusedWhen, message: "This is not accepted." }]);
  }
</script>

<EditorLine title="Refused" wide={field.checks.length > 0}>
  {#each field.checks as check, i (i)}
    <div class="mb-2">
      when
      <ConditionEditor
        condition={check.refusedWhen}
        rows={copy.around(field.key)}
        onchange={(of) =>
          change((now) => {
            const to = now[i] && of(now[i].refusedWhen);
            return to ? now.with(i, { ...now[i]!, refusedWhen: to }) : now.toSpliced(i, 1);
          })}
      />
      <div class="mt-1 flex items-center gap-1">
        <Input
          look="token value"
          class="min-w-0 grow"
          aria-label={`What the reader is told, check ${i + 1}`}
          shows={check.message}
          onchange={(event) => {
            const message = event.currentTarget.value.trim();
            if (message) void change((now) => (now[i] ? now.with(i, { ...now[i], message }) : now));
            else event.currentTarget.value = check.message;
          }}
        />
        <Button
          look="token faint"
          aria-label={`Take check ${i + 1} away`}
          onclick={() => change((now) => now.toSpliced(i, 1))}>×</Button
        >
      </div>
    </div>
  {/each}
  {#if adding}
    when <NewClause except={[]} rows={copy.around(field.key)} onadd={add} oncancel={() => (adding = false)} />
  {:else}
    <Button look="token add" onclick={() => (adding = true)}>add a check</Button>
  {/if}
</EditorLine>
