<script lang="ts">
  import type { NodeView, Sentence } from "../../api/types";
  import { conditionOf, isPlain } from "../conditions/clauses";
  import { missing } from "../../prove/coverage";
  import { workingCopy } from "../context";
  import Now from "./Now.svelte";
  import Said from "./Said.svelte";

  let { view, named, covered = false }: { view: NodeView; named: boolean; covered?: boolean } = $props();

  /** Whether a sentence holds now; undefined where it always does or never could. */
  function met({ aspects }: Sentence): boolean | undefined {
    const { node, state } = view;
    const aspect = aspects[0];
    if (!aspect) return undefined;
    const condition = conditionOf(node, aspect);
    return condition && !isPlain(condition) ? state.met.includes(aspect) : undefined;
  }

  const copy = workingCopy();
  const untried = $derived(copy.untriedClauses.get(view.node.key) ?? []);

  /** What no trial has tried of a sentence; what belongs to none of them stands at the last. */
  function untriedOf({ aspects }: Sentence): string {
    const told = view.sentences.flatMap((sentence) => sentence.aspects as string[]);
    const isLast = view.sentences.at(-1)?.aspects === aspects;
    return untried
      .filter(({ what }) => (aspects as string[]).includes(what) || (isLast && !told.includes(what)))
      .map((clause) => `“${clause.clause}” ${missing(clause)}`)
      .join("; ");
  }

  /** What always holds reads on as prose; what hangs on answers begins a line of its own. */
  const paragraphs = $derived.by(() => {
    const paragraphs: { sentence: Sentence; holds: boolean | undefined }[][] = [];
    for (const sentence of view.sentences) {
      const said = { sentence, holds: met(sentence) };
      const last = paragraphs.at(-1);
      if (last && said.holds === undefined && last[0]!.holds === undefined) last.push(said);
      else paragraphs.push([said]);
    }
    return paragraphs;
  });
</script>

<!-- The logic of one item, as sentences. -->
{#if view.sentences.length}
  <div class={["note", covered && "invisible"]} id={covered ? undefined : `n-${view.node.key}`}>
    {#each paragraphs as paragraph, i (i)}
      <p>
        {#if named && i === 0}<span class="name">{view.name}: </span>{/if}
        {#each paragraph as { sentence, holds }, j (j)}
          {@const open = untriedOf(sentence)}
          <Said parts={sentence.parts} />{" "}{#if holds !== undefined}<Now met={holds} />{/if}
          {#if open}<span
              class="untried"
              role="img"
              aria-label={`Not tried: ${open}`}
              title={`Not tried: ${open}`}>◌</span
            >{/if}
        {/each}
      </p>
    {/each}
  </div>
{/if}

<style>
  .note {
    padding: 3px 14px 5px 16px;
    font: var(--text-sheet)/1.42 var(--font-margin);
  }

  /* What is longer is read in full where it is edited; the document is not torn apart for it. */
  .note p {
    display: -webkit-box;
    -webkit-box-orient: vertical;
    -webkit-line-clamp: 4;
    line-clamp: 4;
    overflow: hidden;
  }

  .untried {
    color: var(--color-soft);
    cursor: help;
  }

  .name {
    font: var(--text-note) var(--font-chrome);
    color: var(--color-soft);
    margin-right: 5px;
  }
</style>
