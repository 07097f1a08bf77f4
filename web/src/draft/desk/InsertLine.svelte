<script lang="ts">
  import { Choosing } from "../../ui/choosing.svelte";
  import Options from "../../ui/Options.svelte";
  import Button from "../../ui/light/Button.svelte";
  import Input from "../../ui/Input.svelte";
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

  const choosing = new Choosing(id, () => list);

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
    choosing.go(0);
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
    <Input
      width="100%"
      class="border-dashed"
      bind:element={input}
      bind:value={typed}
      role="combobox"
      aria-label="Add: a label or a kind"
      aria-expanded={!copy.refused}
      aria-controls={copy.refused ? undefined : choosing.listId}
      aria-activedescendant={copy.refused ? undefined : choosing.activeId}
      autocomplete="off"
      maxlength={1000}
      placeholder="A whole line, or a kind"
      oninput={() => {
        choosing.go(0);
        copy.dismiss();
      }}
      onkeydown={(event) => choosing.keyed(event, { pick: add, close })}
    />
    {#if copy.refused}
      <div class="mt-2"><RefusedEdit /></div>
    {:else}
      <div class="panel">
        {#if !typed.trim()}<p class="hint">{@render wholeLine()} Or choose a kind:</p>{/if}
        <Options
          {choosing}
          label="What to add"
          options={list}
          keyOf={(it) => `${it.block ?? it.id} ${it.when?.label}`}
          class="max-h-[290px]"
          onpick={add}
        >
          {#snippet option(it)}
            {#if written.trim() && !it.named}<span class="truncate">{written.trim()}</span><span
                class="soft shrink-0"
                >as {it.label.toLowerCase()}{#if it.when}, when {it.when.label}{#if it.when.change}; that
                    holds text and becomes a {it.when.change.label}{/if}{/if}</span
              >{:else}{it.label}<span class="soft ml-auto text-xs">{it.hint}</span>{/if}
          {/snippet}
        </Options>
      </div>
    {/if}
  </div>
{:else}
  <div class="closed">
    <Button look="bare" class={["line", first && "first"]} onclick={() => (isOpen = true)}
      ><bdi>{words}</bdi></Button
    >
  </div>
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

  .hint {
    padding: 4px 8px 6px;
    font-size: var(--text-note);
    color: var(--color-soft);
  }

  .hint b {
    font-weight: 600;
    color: var(--color-ink);
  }

  .closed :global(.line) {
    width: 100%;
    padding: 5px 8px;
    text-align: left;
    color: var(--color-soft);
    border: 1px dashed transparent;
    border-radius: var(--radius-md);
  }

  .closed :global(.line.first) {
    border-color: var(--color-edge);
    padding-block: 10px;
  }

  .closed :global(.line:hover),
  .closed :global(.line:focus-visible) {
    border-color: var(--color-edge);
    color: var(--color-ink);
  }
</style>
