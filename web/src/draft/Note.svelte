<script lang="ts">
  import type { NodeView, Sentence } from "../api/types";
  import { conditionOf, isPlain } from "./clauses";
  import { workingCopy } from "./context";
  import Now from "./Now.svelte";

  let { view, named, covered = false }: { view: NodeView; named: boolean; covered?: boolean } = $props();

  const copy = workingCopy();

  /** Whether a sentence holds now; undefined where it always does or never could. */
  function met({ aspects }: Sentence): boolean | undefined {
    const { node, state } = view;
    const aspect = aspects[0];
    if (!aspect) return undefined;
    const condition = conditionOf(node, aspect);
    return condition && !isPlain(condition) ? state.met.includes(aspect) : undefined;
  }
</script>

<!-- The logic of one item, as sentences. -->
{#if view.sentences.length}
  <div class={["note", covered && "invisible"]} id={covered ? undefined : `n-${view.node.key}`}>
    {#each view.sentences as sentence, i (i)}
      {@const holds = met(sentence)}
      <p>
        {#if named && i === 0}<span class="name"
            >{view.name}:
          </span>{/if}{#each sentence.parts as part, j (j)}{#if part.type === "strong"}<b>{part.text}</b
            >{:else if part.type === "fieldName"}<button
              type="button"
              class="field"
              onclick={() => copy.select(part.key, true)}>{part.text}</button
            >{:else if part.type === "sharedName"}<i>{part.text}</i>{:else if part.type === "figure"}<span
              class="figure">{part.text}</span
            >{:else if part.type === "blankRule"}<span class="blank">{part.text}</span
            >{:else}{part.text}{/if}{/each}
        {#if holds !== undefined}<Now met={holds} />{/if}
      </p>
    {/each}
  </div>
{/if}

<style>
  .note {
    padding: 3px 14px 5px 16px;
    font: 14.5px/1.42 var(--font-margin);
  }

  .note b {
    font-weight: 600;
  }

  .name,
  .blank {
    font: 12.5px var(--font-chrome);
    color: var(--color-soft);
  }

  .name {
    margin-right: 5px;
  }

  .field {
    color: var(--color-river);
    font-weight: 600;
    border-bottom: 1.5px dotted #86aecb;
    line-height: 1.15;
  }

  .figure {
    background: var(--color-ochre-tint);
    border-radius: 3px;
    padding: 0 5px;
    font-weight: 600;
    color: #5b4300;
    overflow-wrap: anywhere;
  }
</style>
