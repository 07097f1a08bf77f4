<script lang="ts">
  import { tick } from "svelte";
  import { workingCopy } from "../context";
  import { type Offered, offers } from "../kinds";
  import { type Meant, typedConditions } from "../conditions/typedConditions";
  import RefusedEdit from "../editors/RefusedEdit.svelte";

  let {
    holder,
    after,
    words = "",
    first = false,
    onclose,
  }: {
    /** The section it adds to. */
    holder: string;
    after: string | null;
    /** What it says while it is closed; empty for one that is open at once. */
    words?: string;
    /** Whether there is nothing in the document yet, so that it is the one thing to do. */
    first?: boolean;
    onclose?: () => void;
  } = $props();

  const copy = workingCopy();
  const id = $props.id();
  // svelte-ignore state_referenced_locally
  let isOpen = $state(!words);
  let typed = $state("");
  let at = $state(0);
  let input = $state<HTMLInputElement>();
  let box = $state<HTMLElement>();
  /** A label may be followed by when it is shown: "Serial number when pump". */
  const asked = $derived(/^(.*\S)\s+when\s+(.+)$/i.exec(typed));
  const meant = $derived(asked ? typedConditions(copy, asked[2]!) : []);
  const written = $derived(meant.length ? asked![1]! : typed);
  const list = $derived.by(() => {
    const offered: (Offered & { when: Meant | null })[] = [];
    for (const offer of offers(written, copy.blocks)) {
      if (!meant.length) offered.push({ ...offer, when: null });
      else if (offer.id !== "block") offered.push(...meant.map((when) => ({ ...offer, when })));
    }
    return offered;
  });

  $effect(() => {
    if (isOpen) void inSight();
  });

  /** What can be added is of use only where it can be seen, at the foot of the page too. */
  async function inSight() {
    input?.focus({ preventScroll: true });
    await tick();
    // The margin beside is laid out anew where an editor was open in it, one frame later.
    requestAnimationFrame(() =>
      requestAnimationFrame(() => box?.querySelector(".panel")?.scrollIntoView({ block: "nearest" })),
    );
  }

  /** Where a new section goes: behind the one on the page that this line stands in. */
  function besides(): { holder: string; after: string } {
    let top = holder;
    while (copy.nodes.get(copy.holder(top))?.node.type === "section") top = copy.holder(top);
    return { holder: copy.holder(top), after: top };
  }

  /** Where a new page goes: behind the one that this line stands on. */
  function behindPage(): { holder: string; after: string } {
    return { holder: "", after: besides().holder };
  }

  async function useBlock(block: string) {
    const added = await copy.withBlock("/use", { block, ...besides() });
    const key = added?.find((it) => copy.nodes.get(it)?.node.type === "section");
    if (!key) return;
    close();
    await copy.select(key, true);
  }

  async function add(offer: (typeof list)[number] | undefined) {
    if (!offer) return;
    if (offer.id === "block") return useBlock(offer.block!);
    const label = offer.named ? "" : written;
    const change = offer.when?.change;
    if (change && !(await copy.edit({ type: "setKind", key: change.key, kind: change.kind }))) return;
    const section = offer.id === "section" || offer.id === "repeatingSection" || offer.id === "page";
    const place = offer.id === "page" ? behindPage() : section ? besides() : { holder, after };
    const key = await copy.make({
      type: "add",
      what: offer.id,
      label,
      ...place,
      shown: offer.when?.condition ?? null,
    });
    if (!key) return;
    typed = "";
    at = 0;
    await tick();
    if (section || onclose) close();
    if (section) rename(key);
    else if (onclose) rename(key);
    else input?.scrollIntoView({ block: "nearest" });
  }

  /** Lets the author write over the words that stand there for a beginning. */
  function rename(key: string) {
    const words = document.querySelector<HTMLTextAreaElement>(`#i-${key} textarea`);
    words?.focus();
    words?.select();
  }

  function close() {
    isOpen = !words;
    typed = "";
    onclose?.();
  }

  function keyed(event: KeyboardEvent) {
    if (event.key === "ArrowDown") at = Math.min(at + 1, list.length - 1);
    else if (event.key === "ArrowUp") at = Math.max(at - 1, 0);
    else if (event.key === "Enter") void add(list[at]);
    else if (event.key === "Escape") close();
    else return;
    event.preventDefault();
    event.stopPropagation();
  }

  function left(event: FocusEvent) {
    const to = event.relatedTarget as Element | null;
    if (!box?.contains(to) && !copy.refused) close();
  }
</script>

<!-- What an author would not think of who sees a list of kinds. -->
{#snippet wholeLine()}
  Write what you want to ask, and when: <b>Planned depth, m</b>, or <b>Which pump? Hand / Motor</b>, or
  <b>Serial number when motor</b>.
{/snippet}

{#if isOpen}
  <div class="insert" bind:this={box} onfocusout={left}>
    <input
      bind:this={input}
      bind:value={typed}
      class="text-input w-full border-dashed"
      role="combobox"
      aria-label="Add: a label or a kind"
      aria-expanded={!copy.refused}
      aria-controls={copy.refused ? undefined : `${id}-list`}
      aria-activedescendant={copy.refused ? undefined : `${id}-${at}`}
      autocomplete="off"
      maxlength="1000"
      placeholder="A whole line, or a kind"
      oninput={() => {
        at = 0;
        copy.dismiss();
      }}
      onkeydown={keyed}
    />
    {#if copy.refused}
      <div class="mt-2"><RefusedEdit /></div>
    {:else}
      <div class="panel">
        {#if !typed.trim()}<p class="hint">{@render wholeLine()} Or choose a kind:</p>{/if}
        <ul id={`${id}-list`} role="listbox" aria-label="What to add">
          {#each list as offer, i (`${offer.block ?? offer.id} ${offer.when?.label}`)}
            <!-- svelte-ignore a11y_click_events_have_key_events -- the keys are those of the line above -->
            <li
              id={`${id}-${i}`}
              role="option"
              aria-selected={i === at}
              class={["option", i === at && "at"]}
              onpointerdown={(event) => event.preventDefault()}
              onclick={() => add(offer)}
            >
              {#if written.trim() && !offer.named}<span class="truncate">{written.trim()}</span><span
                  class="soft shrink-0"
                  >as {offer.label.toLowerCase()}{#if offer.when}, when {offer.when
                      .label}{#if offer.when.change}; that holds text and becomes a {offer.when.change
                        .label}{/if}{/if}</span
                >{:else}{offer.label}<span class="soft ml-auto text-xs">{offer.hint}</span>{/if}
            </li>
          {/each}
        </ul>
      </div>
    {/if}
  </div>
{:else}
  <button type="button" class={["closed", first && "first"]} onclick={() => (isOpen = true)}
    ><bdi>{words}</bdi></button
  >
  {#if first}<p class="hint">{@render wholeLine()}</p>{/if}
{/if}

<style>
  .insert {
    position: relative;
    padding: 4px 0;
  }

  .panel {
    position: absolute;
    z-index: 20;
    top: 38px;
    width: 100%;
    max-width: 520px;
    border: 1px solid var(--color-edge);
    border-radius: var(--radius-lg);
    background: var(--color-paper);
    box-shadow: var(--shadow-card);
    padding: 5px;
  }

  .panel ul {
    max-height: 290px;
    overflow-y: auto;
  }

  .hint {
    padding: 4px 8px 6px;
    font-size: 12.5px;
    color: var(--color-soft);
  }

  .hint b {
    font-weight: 600;
    color: var(--color-ink);
  }

  .option {
    display: flex;
    gap: 6px;
    border-radius: var(--radius-sm);
    padding: 4px 8px;
    cursor: pointer;
  }

  .option:hover {
    background: var(--color-ground);
  }

  .option.at {
    background: var(--color-river-tint);
    outline: 1px solid var(--color-river);
    outline-offset: -1px;
  }

  .closed {
    width: 100%;
    padding: 5px 8px;
    text-align: left;
    color: var(--color-soft);
    border: 1px dashed transparent;
    border-radius: var(--radius-md);
  }

  .closed.first {
    border-color: var(--color-edge);
    padding-block: 10px;
  }

  .closed:hover,
  .closed:focus-visible {
    border-color: var(--color-edge);
    color: var(--color-ink);
  }
</style>
