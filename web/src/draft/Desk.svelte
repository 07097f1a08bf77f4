<script lang="ts">
  import { parts, rows } from "../document/rows";
  import { workingCopy } from "./context";
  import EditableText from "./EditableText.svelte";
  import InPlace from "./InPlace.svelte";
  import InsertLine from "./InsertLine.svelte";
  import ItemEditor from "./ItemEditor.svelte";
  import Line from "./Line.svelte";
  import Movable from "./Movable.svelte";
  import Note from "./Note.svelte";
  import Slip from "./Slip.svelte";
  import Threads from "./Threads.svelte";

  let { inserting, onclosed }: { inserting: string | null; onclosed: () => void } = $props();

  const copy = workingCopy();
  let ground = $state<HTMLElement>();
  const pages = $derived(copy.inside(""));
  const numbers = $derived(new Map(pages.flatMap((page) => copy.inside(page)).map((key, i) => [key, i + 1])));
  const shown = (key: string) => copy.view(key).state.shown;
  const depth = (key: string) => copy.view(key).bond.depth;

  /** A folded section is one slip, opened while something in it is selected. */
  const isSlip = (section: string) => !shown(section) && !copy.inside(section).includes(copy.selected ?? "");

  /** Folded items have a row of their own; the others stand side by side as the reader sees them. */
  const width = (key: string) => (shown(key) ? parts(copy.view(key).node) : 6);

  function count(section: string): string {
    const fields = copy.inside(section).filter((key) => copy.view(key).node.type === "field").length;
    return fields ? `${fields} ${fields === 1 ? "field" : "fields"}` : "";
  }
</script>

{#snippet logic(keys: string[])}
  <div class="relative">
    {#each keys as key (key)}
      <Note view={copy.view(key)} named={keys.length > 1} covered={copy.selected === key} />
      {#if copy.selected === key}<ItemEditor {key} />{/if}
    {/each}
  </div>
{/snippet}

<!-- svelte-ignore a11y_no_noninteractive_tabindex -- a part that scrolls is reachable by keyboard -->
<div
  id="desk"
  class="min-h-0 overflow-y-auto px-5 pt-4 pb-[60vh]"
  role="region"
  aria-label="Document and margin"
  tabindex="0"
>
  <div class="relative flex min-h-[calc(100vh-130px)] flex-col border-y" bind:this={ground}>
    <Line top>
      {#snippet sheet()}
        <div class="text-[22px] leading-tight font-semibold">
          <EditableText
            value={copy.title}
            label="Title of the document"
            onchange={(title) => copy.edit(() => ({ type: "retitle", title, subtitle: copy.subtitle }))}
          />
        </div>
        <div class="soft mb-3 text-[12.5px] leading-6">
          <EditableText
            value={copy.subtitle}
            label="Subtitle"
            placeholder="A line under the title"
            onchange={(subtitle) => copy.edit(() => ({ type: "retitle", title: copy.title, subtitle }))}
          />
        </div>
      {/snippet}
    </Line>
    {#each pages as page (page)}
      {#each copy.inside(page) as section (section)}
        {@const view = copy.view(section)}
        {@const node = view.node}
        <Line depth={depth(section)}>
          {#snippet sheet()}
            <div class="py-2">
              <Movable key={section} isSection>
                {#if !shown(section)}
                  <Slip
                    name={`${numbers.get(section)} ${view.name}`}
                    inside={count(section)}
                    reason={view.folded}
                  />
                {:else if node.type === "section"}
                  <h2 class="flex gap-1.5 text-[15.5px] leading-6 font-semibold">
                    <span class="soft font-medium">{numbers.get(section)}</span>
                    <span class="grow">
                      {#if copy.selected === section || !node.title}
                        <EditableText
                          value={node.title}
                          label="Title of the section"
                          placeholder="Section without a title"
                          onchange={(label) => copy.edit({ type: "relabel", key: section, label })}
                        />
                      {:else}{node.title}{/if}
                    </span>
                  </h2>
                  {#if node.help}<p class="soft text-[12.5px]">{node.help}</p>{/if}
                {/if}
              </Movable>
            </div>
          {/snippet}
          {#snippet margin()}{@render logic([section])}{/snippet}
        </Line>
        {#if !isSlip(section)}
          {#each rows(copy.inside(section), width) as row (row[0])}
            <Line depth={Math.max(...row.map(depth))}>
              {#snippet sheet()}
                <div class="row">
                  {#each row as key (key)}
                    <div style:grid-column={`span ${width(key)}`}>
                      <Movable {key}>
                        {#if shown(key)}<InPlace {key} />{:else}<Slip
                            name={copy.view(key).name}
                            reason={copy.view(key).folded}
                          />{/if}
                      </Movable>
                    </div>
                  {/each}
                </div>
                {#if inserting && row.includes(inserting)}
                  <InsertLine holder={section} after={inserting} onclose={onclosed} />
                {/if}
              {/snippet}
              {#snippet margin()}{@render logic(row)}{/snippet}
            </Line>
          {/each}
          <Line depth={depth(section)}>
            {#snippet sheet()}
              <InsertLine
                holder={section}
                after={copy.inside(section).at(-1) ?? null}
                words={copy.inside(section).length
                  ? "Add here …"
                  : "Add the first question: write its label, or a kind"}
              />
            {/snippet}
          </Line>
        {/if}
      {/each}
    {/each}
    <Line rest />
    <Threads {ground} />
  </div>
</div>

<style>
  .row {
    display: grid;
    grid-template-columns: repeat(6, minmax(0, 1fr));
    column-gap: 14px;
    padding-block: 7px;
  }
</style>
