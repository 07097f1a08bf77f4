<script lang="ts">
  import { Choosing } from "../../ui/choosing.svelte";
  import { focused } from "../../ui/focused";
  import Input from "../../ui/Input.svelte";
  import Options from "../../ui/Options.svelte";
  import { type Action, actions, keysOf, type ViewActions } from "../actions";
  import { workingCopy } from "../context";

  let { view, onclose }: { view: ViewActions; onclose: () => void } = $props();

  const copy = workingCopy();
  let typed = $state("");

  const all = $derived(actions(copy, view).filter(({ name }) => name !== "actions"));
  const sought = $derived(typed.trim().toLowerCase());
  const places = $derived(
    sought
      ? copy.order
          .filter((key) => copy.view(key).name.toLowerCase().includes(sought) || key.includes(sought))
          .slice(0, 30)
          .map((key): Action => ({
            label: `Go to ${copy.view(key).name}`,
            note: key,
            works: true,
            work: () => copy.select(key, true),
          }))
      : [],
  );
  const list = $derived([...all.filter(({ label }) => label.toLowerCase().includes(sought)), ...places]);

  const choosing = new Choosing("action", () => list);

  function run(action: Action | undefined) {
    if (!action?.works) return;
    onclose();
    void action.work();
  }
</script>

<!-- What can be done, with its keys; it lies over the header and leaves the document in sight. -->
<div class="palette" role="region" aria-label="Actions and places">
  <Input
    bind:value={typed}
    look="bare"
    width="100%"
    class="sought"
    role="combobox"
    aria-expanded="true"
    aria-controls={choosing.listId}
    aria-activedescendant={choosing.activeId}
    aria-label="Action, or name of an item"
    placeholder="Action, or name of an item"
    oninput={() => choosing.go(0)}
    onkeydown={(event) => choosing.keyed(event, { pick: run, close: onclose })}
    onblur={onclose}
    {@attach focused}
  />
  <Options
    {choosing}
    label="Actions and places"
    options={list}
    keyOf={(it) => it.label + keysOf(it)}
    isOff={({ works }) => !works}
    nothing="Nothing of this name"
    class="mt-1 max-h-[52vh]"
    onpick={run}
  >
    {#snippet option(it)}
      <span class="min-w-0 truncate">{it.label}</span><span class="soft ml-auto whitespace-nowrap"
        >{keysOf(it)}</span
      >
    {/snippet}
  </Options>
</div>

<style>
  .palette {
    position: fixed;
    top: 6px;
    left: 50%;
    translate: -50% 0;
    z-index: 40;
    width: min(520px, calc(100vw - 24px));
    border: 1px solid var(--color-edge);
    border-radius: var(--radius-lg);
    background: var(--color-paper);
    box-shadow: var(--shadow-card);
    padding: 6px;
  }

  .palette :global(.sought) {
    width: 100%;
    border: 0;
    padding: 6px 8px;
    font-size: var(--text-reading);
  }

  .palette :global(.sought:focus-visible) {
    outline: 2px solid var(--color-river);
    outline-offset: -1px;
    border-radius: var(--radius-md);
  }
</style>
