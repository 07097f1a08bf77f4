<script lang="ts">
  import type { Condition, Promised, PromiseRule } from "../api/types";
  import ConditionEditor from "../draft/conditions/ConditionEditor.svelte";
  import NewClause from "../draft/conditions/NewClause.svelte";
  import { workingCopy } from "../draft/context";
  import LookPicker from "../draft/editors/LookPicker.svelte";
  import Button from "../ui/Button.svelte";
  import Picker from "../ui/Picker.svelte";
  import {
    SEVERAL,
    isWhole,
    predicateOf,
    predicates,
    promising,
    rowsOf,
    subjectOf,
    subjects,
  } from "./promises";

  let {
    rule,
    fresh = false,
    onchange,
  }: {
    rule: PromiseRule | null;
    /** Whether it is being written for the first time, so that one token opens after the other. */
    fresh?: boolean;
    onchange: (rule: PromiseRule) => void;
  } = $props();

  const copy = workingCopy();
  const options = $derived(subjects(copy));
  /** What was picked before the promise says enough to be kept. */
  // svelte-ignore state_referenced_locally
  let begun = $state<Promised | null>(rule?.promised ?? null);
  // svelte-ignore state_referenced_locally
  let subject = $state(rule ? subjectOf(rule.promised) : "");
  // svelte-ignore state_referenced_locally
  let adding = $state(fresh && isWhole(rule?.promised ?? null));
  const promised = $derived(rule?.promised ?? begun);
  const whenever = $derived<Condition>(rule?.whenever ?? { type: "always" });
  const rows = $derived(promised ? rowsOf(copy, { whenever, promised }) : null);
  const predicate = $derived(promised && subjectOf(promised) === subject ? predicateOf(promised) : "");

  const nameOf = (id: string) => options.find((option) => option.id === id)?.label ?? "";

  function pickSubject(id: string) {
    subject = id;
    const kept = predicates(copy, id).find((option) => option.id === predicate);
    if (kept) say(kept.id);
  }

  function say(predicate: string) {
    keep(promising(subject, predicate, promised));
  }

  function keep(said: Promised) {
    begun = said;
    if (isWhole(said)) onchange({ whenever, promised: said });
  }

  function several(key: string) {
    if (promised?.type !== "someShown") return;
    const keys = promised.keys.includes(key)
      ? promised.keys.filter((each) => each !== key)
      : [...promised.keys, key];
    keep({ ...promised, keys });
  }
</script>

<!-- A promise as tokens: what it is about, what is always or never so, and whenever. -->
<div class="flex flex-wrap items-center gap-1.5">
  <Picker
    label="What is promised of"
    tone={subject ? "token field" : "token add"}
    text={nameOf(subject) || "which item?"}
    open={fresh && !subject}
    {options}
    chosen={[subject]}
    placeholder="Item, role, or the document"
    onpick={pickSubject}
  />
  {#if subject}
    <span class="soft">is</span>
    <Picker
      label="What is promised"
      tone={predicate ? "token" : "token add"}
      text={predicates(copy, subject).find(({ id }) => id === predicate)?.label ?? "what?"}
      open={fresh && !predicate}
      options={predicates(copy, subject)}
      chosen={[predicate]}
      onpick={say}
    />
  {/if}
  {#if promised?.type === "nodeLooks" && subject === promised.key}
    <LookPicker
      look={promised.look}
      of={nameOf(promised.key)}
      onchange={(change) =>
        promised?.type === "nodeLooks" && keep({ ...promised, look: { ...promised.look, ...change } })}
    />
  {:else if promised?.type === "someShown" && subject === SEVERAL}
    <span class="soft">of</span>
    <Picker
      label="Items one of which is shown"
      several
      text={promised.keys.map(nameOf).join(", ") || "which items?"}
      open={fresh && !promised.keys.length}
      options={options.filter(({ id }) => copy.nodes.has(id))}
      chosen={promised.keys}
      onpick={several}
    />
  {:else if promised?.type === "isMet"}
    <span class="soft">that</span>
    {#if promised.condition.type === "always"}
      <NewClause
        except={[]}
        onadd={(condition) => promised?.type === "isMet" && keep({ ...promised, condition })}
        oncancel={() => {}}
      />
    {:else}
      <ConditionEditor
        condition={promised.condition}
        onchange={(change) => {
          const to = promised?.type === "isMet" && change(promised.condition);
          if (to && promised?.type === "isMet") keep({ ...promised, condition: to });
        }}
      />
    {/if}
  {/if}
</div>
{#if isWhole(promised)}
  <div class="mt-1.5 flex flex-wrap items-start gap-1.5">
    <span class="soft pt-0.5">whenever</span>
    {#if adding}
      <NewClause
        except={[]}
        {rows}
        onadd={(condition) => {
          adding = false;
          if (promised) onchange({ whenever: condition, promised });
        }}
        oncancel={() => (adding = false)}
      />
    {:else if whenever.type === "always"}
      <Button look="token add" onclick={() => (adding = true)}>anything is answered</Button>
    {:else}
      <div class="min-w-0 grow">
        <ConditionEditor
          condition={whenever}
          {rows}
          onchange={(change) =>
            promised && onchange({ whenever: change(whenever) ?? { type: "always" }, promised })}
        />
      </div>
    {/if}
  </div>
{/if}
