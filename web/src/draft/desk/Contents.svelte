<script lang="ts">
  import Input from "../../ui/Input.svelte";
  import { workingCopy } from "../context";
  import { FrameByFrame } from "./frameByFrame.svelte";

  const copy = workingCopy();
  let filter = $state("");

  const sections = $derived(copy.inside("").flatMap((page) => copy.inside(page)));
  const sought = $derived(filter.trim().toLowerCase());
  const matches = (key: string) =>
    !sought || copy.view(key).name.toLowerCase().includes(sought) || key.includes(sought);
  const items = (section: string) =>
    matches(section) ? copy.within(section).slice(1) : copy.within(section).slice(1).filter(matches);
  const listed = $derived(sections.filter((key) => matches(key) || items(key).length));
  const keys = $derived(listed.flatMap((section) => [section, ...items(section)]));
  const AT_ONCE = 8;
  const parts = new FrameByFrame(() => listed.length, AT_ONCE);
  const focusable = $derived(copy.selected && keys.includes(copy.selected) ? copy.selected : keys[0]);

  function keyed(event: KeyboardEvent, key: string) {
    if (event.altKey || event.ctrlKey || event.metaKey) return;
    const at = keys.indexOf(key);
    const to = { ArrowDown: at + 1, ArrowUp: at - 1, Home: 0, End: keys.length - 1 }[event.key];
    const next = to === undefined ? undefined : keys[to];
    if (!next) return;
    event.preventDefault();
    if (event.shiftKey) copy.extend(next);
    else void copy.select(next, true);
    document.getElementById(`c-${next}`)?.focus();
  }
</script>

{#snippet entry(key: string, isSection: boolean)}
  {@const view = copy.view(key)}
  <!-- eslint-disable-next-line no-restricted-syntax -- as many as there are items: a component for each is work that nobody sees -->
  <button
    type="button"
    class={["entry", isSection && "section", !view.state.shown && "off"]}
    id={`c-${key}`}
    tabindex={key === focusable ? 0 : -1}
    aria-current={copy.selected === key || copy.also.has(key) || undefined}
    title={view.name}
    onclick={(event) =>
      event.shiftKey
        ? copy.extend(key)
        : event.ctrlKey || event.metaKey
          ? copy.toggle(key)
          : copy.select(key, true)}
    onkeydown={(event) => keyed(event, key)}
  >
    <span class="truncate"
      >{"number" in view.state && view.state.number ? `${view.state.number} ` : ""}{view.name}</span
    >
    {#if !view.state.shown}<span class="sr-only">, folded</span>{/if}
    <span class="counts">
      {#if view.bond.follows.length}<span class="follows" title={`Follows ${view.bond.follows.length}`}
          ><span aria-hidden="true">◂ {view.bond.follows.length}</span><span class="sr-only"
            >, follows {view.bond.follows.length}</span
          ></span
        >{/if}
      {#if view.bond.followers.length}<span
          class="followed"
          title={`Followed by ${view.bond.followers.length}`}
          ><span aria-hidden="true">{view.bond.followers.length} ▸</span><span class="sr-only"
            >, followed by {view.bond.followers.length}</span
          ></span
        >{/if}
    </span>
  </button>
{/snippet}

<nav class="flex min-h-0 flex-col border-r pt-3 text-note" aria-label="Contents">
  <div class="px-3 pb-2">
    <Input
      width="100%"
      type="search"
      placeholder="Contents"
      aria-label="Filter the contents"
      bind:value={filter}
    />
  </div>
  <ul class="min-h-0 grow overflow-y-auto px-2 pb-4">
    {#each listed as section, place (section)}
      <li class="part" style:--entries={items(section).length + 1}>
        {#if place < parts.made}
          {@render entry(section, true)}
          <ul>
            {#each items(section) as item (item)}<li>{@render entry(item, false)}</li>{/each}
          </ul>
        {/if}
      </li>
    {:else}
      <li class="soft px-2 py-1">{filter ? "Nothing of this name" : "No sections yet"}</li>
    {/each}
  </ul>
</nav>

<style>
  .part {
    content-visibility: auto;
    contain-intrinsic-size: auto calc(24px * var(--entries));
  }

  .entry {
    display: flex;
    width: 100%;
    align-items: center;
    gap: 6px;
    border-radius: var(--radius-md);
    min-height: 24px;
    padding: 2px 6px 2px 20px;
    text-align: left;
  }

  .entry.section {
    font-weight: 600;
    padding-left: 6px;
    margin-top: 6px;
  }

  .entry.off {
    color: var(--color-soft);
    font-style: italic;
  }

  .entry:hover {
    background: var(--color-ground-deep);
  }

  .entry[aria-current] {
    background: var(--color-ochre-tint);
  }

  .entry:focus-visible {
    outline-offset: -2px;
  }

  .counts {
    margin-left: auto;
    display: flex;
    gap: 7px;
    font: 500 var(--text-note) var(--font-key);
    white-space: nowrap;
  }

  .follows {
    color: var(--color-ochre);
  }

  .followed {
    color: var(--color-river);
  }
</style>
