<script lang="ts">
  import { workingCopy } from "../context";

  let {
    oninsert,
    onhistory,
    onclose,
  }: { oninsert: (after: string) => void; onhistory: () => void; onclose: () => void } = $props();

  const copy = workingCopy();
  type Action = { label: string; keys: string; works: boolean; work: () => unknown };
  let typed = $state("");
  let at = $state(0);
  let input = $state<HTMLInputElement>();

  const isItem = $derived(
    !["section", "page"].includes(copy.nodes.get(copy.selected ?? "")?.node.type ?? "page"),
  );
  const actions = $derived<Action[]>([
    { label: "Undo", keys: "Ctrl Z", works: copy.canUndo, work: copy.undo },
    { label: "Redo", keys: "Ctrl Shift Z", works: copy.canRedo, work: copy.redo },
    { label: "Add below", keys: "Ctrl Enter", works: isItem, work: () => oninsert(copy.selected!) },
    { label: "Move up", keys: "Alt ↑", works: !!copy.selected, work: () => copy.move(copy.selected!, -1) },
    { label: "Move down", keys: "Alt ↓", works: !!copy.selected, work: () => copy.move(copy.selected!, 1) },
    {
      label: "Duplicate",
      keys: "Ctrl D",
      works: !!copy.selected,
      work: () => copy.make({ type: "duplicate", keys: copy.chosen, holder: null, after: null }),
    },
    { label: "Copy", keys: "Ctrl C", works: !!copy.selected, work: () => copy.copyChosen() },
    {
      label: "Paste",
      keys: "Ctrl V",
      works: !!copy.clip.length && !!copy.selected,
      work: () => copy.paste(),
    },
    {
      label: "Paste the logic alone",
      keys: "Ctrl Shift V",
      works: !!copy.clip.length && !!copy.selected,
      work: () => copy.pasteLogic(),
    },
    {
      label: "Delete",
      keys: "Del",
      works: !!copy.selected,
      work: () => copy.edit({ type: "delete", keys: copy.chosen, dropFollowers: false }),
    },
    {
      label: "Add a page",
      keys: "",
      works: true,
      work: () =>
        copy.make({
          type: "add",
          what: "page",
          label: "",
          holder: "",
          after: copy.inside("").at(-1) ?? null,
          shown: null,
        }),
    },
    { label: "The document as a whole", keys: "", works: true, work: () => copy.openDocument(true) },
    {
      label: "Next finding",
      keys: "F8",
      works: !!copy.settings?.findings.length,
      work: () => copy.nextFinding(1),
    },
    { label: "Next field to answer", keys: "F9", works: true, work: () => copy.nextUnanswered() },
    {
      label: "Go to what it follows",
      keys: "Ctrl ←",
      works: !!copy.selected,
      work: () => copy.walk("follows"),
    },
    {
      label: "Go to what follows it",
      keys: "Ctrl →",
      works: !!copy.selected,
      work: () => copy.walk("followers"),
    },
    { label: "History", keys: "", works: true, work: onhistory },
    ...(copy.settings?.trials ?? []).map(({ name }) => ({
      label: `Type the answers of the trial ${name}`,
      keys: "",
      works: true,
      work: () => copy.tryTrial(name),
    })),
    { label: "Clear the answers tried out", keys: "", works: true, work: () => copy.clearAnswers() },
    { label: "Select nothing", keys: "Esc", works: !!copy.selected, work: () => copy.select(null) },
    { label: "Select more", keys: "Ctrl click, Shift ↑ ↓ in the contents", works: false, work: () => {} },
  ]);
  const sought = $derived(typed.trim().toLowerCase());
  const places = $derived(
    sought
      ? copy.order
          .filter((key) => copy.view(key).name.toLowerCase().includes(sought) || key.includes(sought))
          .slice(0, 30)
          .map((key): Action => ({
            label: `Go to ${copy.view(key).name}`,
            keys: key,
            works: true,
            work: () => copy.select(key, true),
          }))
      : [],
  );
  const list = $derived([...actions.filter(({ label }) => label.toLowerCase().includes(sought)), ...places]);

  $effect(() => input?.focus());

  function run(action: Action | undefined) {
    if (!action?.works) return;
    onclose();
    void action.work();
  }

  function keyed(event: KeyboardEvent) {
    if (event.key === "ArrowDown") at = Math.min(at + 1, list.length - 1);
    else if (event.key === "ArrowUp") at = Math.max(at - 1, 0);
    else if (event.key === "Enter") run(list[at]);
    else if (event.key === "Escape") onclose();
    else return;
    event.preventDefault();
    event.stopPropagation();
  }
</script>

<!-- What can be done, with its keys; it lies over the header and leaves the document in sight. -->
<div class="palette" role="region" aria-label="Actions and places">
  <input
    bind:this={input}
    bind:value={typed}
    class="sought"
    role="combobox"
    aria-expanded="true"
    aria-controls="actions"
    aria-activedescendant={`action-${at}`}
    aria-label="Action, or name of an item"
    placeholder="Action, or name of an item"
    oninput={() => (at = 0)}
    onkeydown={keyed}
    onblur={onclose}
  />
  <div id="actions" class="list" role="listbox" aria-label="Actions and places">
    {#each list as action, i (action.label + action.keys)}
      <!-- svelte-ignore a11y_click_events_have_key_events, a11y_interactive_supports_focus -- the keys go through the box above -->
      <div
        id={`action-${i}`}
        role="option"
        aria-selected={i === at}
        aria-disabled={!action.works}
        class={["option", i === at && "at", !action.works && "soft"]}
        onmousedown={(event) => {
          event.preventDefault();
          run(action);
        }}
      >
        <span class="min-w-0 truncate">{action.label}</span><span class="soft ml-auto whitespace-nowrap"
          >{action.keys}</span
        >
      </div>
    {/each}
  </div>
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

  .sought {
    width: 100%;
    border: 0;
    padding: 6px 8px;
    font-size: 15px;
  }

  .sought:focus-visible {
    outline: 2px solid var(--color-river);
    outline-offset: -1px;
    border-radius: var(--radius-md);
  }

  .list {
    max-height: 52vh;
    overflow-y: auto;
    margin-top: 4px;
  }

  .option {
    display: flex;
    gap: 16px;
    padding: 4px 8px;
    border-radius: var(--radius-sm);
    cursor: pointer;
  }

  .option.at {
    background: var(--color-river-tint);
    outline: 1px solid var(--color-river);
    outline-offset: -1px;
  }
</style>
