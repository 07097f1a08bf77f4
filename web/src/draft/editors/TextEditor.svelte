<script lang="ts">
  import Button from "../../ui/Button.svelte";
  import type { Condition, Notice, Phrase } from "../../api/types";
  import ConditionEditor from "../conditions/ConditionEditor.svelte";
  import NewClause from "../conditions/NewClause.svelte";
  import { workingCopy } from "../context";
  import { bracketed, unwrapped, wordsOf } from "../texts";
  import EditorLine from "./EditorLine.svelte";

  let { notice }: { notice: Notice } = $props();

  const copy = workingCopy();
  const CLAUSES = ["no number", "1", "(a)", "(i)"];
  const rows = $derived(copy.around(notice.key));
  /** What stands in brackets and is neither a phrase nor rows yet. */
  const unnamed = $derived(
    bracketed(notice.text).filter((name) => {
      const node = copy.nodes.get(name)?.node;
      const isRows = node?.type === "section" && node.rows;
      return !isRows && !notice.phrases.some((phrase) => phrase.name === name);
    }),
  );
  $effect(() => () => (copy.phrase = null));

  const change = (make: (now: Notice) => { text?: string; phrases: Phrase[] }) =>
    copy.editNode(notice.key, "notice", (now) => ({
      type: "setText",
      key: now.key,
      text: now.text,
      ...make(now),
    }));

  function set(name: string, when: Condition) {
    copy.phrase = null;
    void change(({ phrases }) => ({
      phrases: phrases.some((it) => it.name === name)
        ? phrases.map((it) => (it.name === name ? { name, when } : it))
        : [...phrases, { name, when }],
    }));
  }

  const take = (name: string) =>
    change(({ text, phrases }) => ({
      text: unwrapped(text, name),
      phrases: phrases.filter((it) => it.name !== name),
    }));

  const said = (name: string) => wordsOf(notice.text, name) || name;
</script>

{#snippet newCondition(name: string)}
  {#if copy.phrase === name}
    when <NewClause
      except={[]}
      {rows}
      onadd={(when) => set(name, when)}
      oncancel={() => (copy.phrase = null)}
    />
  {:else}
    <Button look="token add" onclick={() => (copy.phrase = name)}
      >only when …<span class="sr-only"> for {said(name)}</span></Button
    >
  {/if}
{/snippet}

{#if notice.phrases.length || unnamed.length}
  <EditorLine title="Phrases" wide>
    {#each notice.phrases as phrase (phrase.name)}
      <div class="mb-2" role="group" aria-label={`Phrase ${said(phrase.name)}`}>
        <div class="flex items-start gap-1">
          <q class="words">{said(phrase.name)}</q>
          <Button
            look="token faint"
            aria-label={`Take the brackets of “${said(phrase.name)}” away`}
            title="Its words stay, always"
            onclick={() => take(phrase.name)}>×</Button
          >
        </div>
        {#if phrase.when.type === "always"}
          <span class="soft">always there</span>
          {@render newCondition(phrase.name)}
        {:else}
          when
          <ConditionEditor
            condition={phrase.when}
            {rows}
            onchange={(of) =>
              change(({ phrases }) => ({
                phrases: phrases.map((it) =>
                  it.name === phrase.name ? { ...it, when: of(it.when) ?? { type: "always" } } : it,
                ),
              }))}
          />
        {/if}
      </div>
    {/each}
    {#each unnamed as name (name)}
      <div class="mb-2">
        <q class="words">{said(name)}</q>
        <span class="soft">is printed with its brackets.</span>
        {@render newCondition(name)}
      </div>
    {/each}
  </EditorLine>
{/if}
{#if !rows}
  <EditorLine title="Clause">
    <span role="group" aria-label="Clause">
      {#each CLAUSES as label, clause (clause)}
        <Button
          look="token"
          class="min-w-8"
          pressed={notice.clause === clause}
          onclick={() => copy.edit({ type: "setClause", keys: [notice.key], clause })}>{label}</Button
        >
      {/each}
    </span>
  </EditorLine>
{/if}

<style>
  .words {
    min-width: 0;
    flex: 1;
    font-family: var(--font-margin);
    overflow-wrap: anywhere;
  }
</style>
