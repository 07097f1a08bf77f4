<script lang="ts">
  import { tick, untrack } from "svelte";
  import Button from "../../ui/Button.svelte";
  import { Choosing } from "../../ui/choosing.svelte";
  import Options from "../../ui/Options.svelte";
  import type { Notice } from "../../api/types";
  import { FORMATS, KINDS } from "../../api/kinds";
  import { workingCopy } from "../context";
  import { pasted } from "../tables";
  import {
    emphasised,
    inserted,
    newName,
    openBrace,
    type Place,
    tabled,
    wrapped,
    type Written,
  } from "../texts";

  let { notice }: { notice: Notice } = $props();

  const IDLE = 900;
  const MOST = 60;
  const copy = workingCopy();
  const id = $props.id();
  let area: HTMLTextAreaElement;
  let timer: ReturnType<typeof setTimeout> | undefined;
  let kept = "";
  let text = $state("");
  let caret = $state(0);
  let isFocused = $state(false);
  let isClosed = $state(true);

  // What is being written is not overwritten by what comes back from the server for an earlier state of it.
  const given = $derived(notice.text);
  $effect(() => {
    const now = untrack(() => text.trim());
    const isBeingWritten = now !== kept;
    kept = given;
    // A blank at the end is no difference, and there to go on writing behind it.
    if (!isBeingWritten && now !== kept) text = kept;
  });
  $effect(() => () => commit());

  /** Keeps what was written; the phrases are those of by then. */
  function commit(more: string[] = []) {
    clearTimeout(timer);
    const written = text.trim();
    if (written === kept && !more.length) return;
    kept = written;
    void copy.editNode(notice.key, "notice", (now) => ({
      type: "setText",
      key: now.key,
      text: written,
      phrases: [...now.phrases, ...more.map((name) => ({ name, when: { type: "always" as const } }))],
    }));
  }

  function where() {
    caret = area.selectionStart;
  }

  function typed() {
    clearTimeout(timer);
    isClosed = false;
    choosing.go(0);
    where();
    if (text.trim()) timer = setTimeout(commit, IDLE);
  }

  const written = (): Written => ({ text, from: area.selectionStart, to: area.selectionEnd });

  async function put(it: Written, more: string[] = []) {
    text = it.text;
    commit(more);
    await tick();
    area.focus();
    area.setSelectionRange(it.from, it.to);
    where();
  }

  const brace = $derived(isFocused && !isClosed ? openBrace(text, caret) : null);

  /** All that can stand in braces: answers, rows, and the numbers of clauses. */
  function places(): Place[] {
    const all: Place[] = [];
    const references: Place[] = [];
    const rows = copy.around(notice.key);
    for (const [key, { node, name }] of copy.nodes) {
      const around = copy.around(key);
      if (node.type === "field" && !node.kind.type.startsWith("sign") && (!around || around === rows)) {
        all.push({ id: `{${key}}`, label: name, hint: KINDS[node.kind.type].label.toLowerCase() });
      } else if (node.type === "section" && node.rows) {
        all.push({ id: `{${key}}`, label: name, hint: "rows, as a table where it stands alone" });
      }
      if (node.type === "notice" && node.clause > 0 && key !== notice.key) {
        references.push({ id: `{ref:${key}}`, label: name, hint: "the number of this clause" });
      } else if (node.type === "section" && !around && node.title) {
        references.push({ id: `{ref:${key}}`, label: name, hint: "the number of this section" });
      }
    }
    return [...all, ...references];
  }

  function formats(key: string): Place[] {
    const node = copy.nodes.get(key)?.node;
    if (node?.type !== "field") return [];
    return KINDS[node.kind.type].formats.map((format) => ({
      id: `{${key}:${format}}`,
      label: format,
      hint: FORMATS[format]!,
    }));
  }

  const offered = $derived.by(() => {
    if (!brace) return [];
    const sought = brace.typed.toLowerCase();
    const all =
      brace.key === "ref"
        ? places().filter((it) => it.id.startsWith("{ref:"))
        : brace.key
          ? formats(brace.key)
          : places();
    return all.filter((it) => `${it.label} ${it.id}`.toLowerCase().includes(sought)).slice(0, MOST);
  });
  const choosing = new Choosing<Place>(id, () => offered);

  function take(place: Place | undefined) {
    if (!place || !brace) return;
    const to = text[caret] === "}" ? caret + 1 : caret;
    void put(inserted({ text, from: brace.at, to }, place.id));
    isClosed = true;
  }

  function onlyWhen() {
    const name = newName(text, (it) => copy.nodes.has(it));
    void put(wrapped(written(), name), [name]);
    copy.phrase = name;
  }

  const table = () =>
    put(
      tabled(written(), [
        ["What", "How much"],
        ["", ""],
      ]),
    );

  /** Rows of a spreadsheet are a table; a numbered list has tabs too, and is none. */
  function paste(event: ClipboardEvent) {
    const isTable = /<table\b/i.test(event.clipboardData?.getData("text/html") ?? "");
    const rows = pasted(event.clipboardData?.getData("text/plain") ?? "");
    if (!isTable || !rows.length) return;
    event.preventDefault();
    void put(tabled(written(), rows));
  }

  async function merge() {
    await put(inserted(written(), "{"));
    isFocused = true;
    isClosed = false;
    choosing.go(0);
  }

  function keyed(event: KeyboardEvent) {
    const held = event.ctrlKey || event.metaKey;
    if (offered.length && event.key === "Tab" && !event.shiftKey) take(choosing.current);
    else if (offered.length && choosing.keyed(event, { pick: take, close: () => (isClosed = true) })) return;
    else if (held && event.key.toLowerCase() === "b") void put(emphasised(written(), "**"));
    else if (held && event.key.toLowerCase() === "i") void put(emphasised(written(), "*"));
    else if (event.key === "Escape") {
      clearTimeout(timer);
      text = kept;
      area.blur();
    } else return;
    event.preventDefault();
    event.stopPropagation();
  }

  function left() {
    isFocused = false;
    isClosed = true;
    commit();
  }

  const hold = (event: Event) => event.preventDefault();
</script>

<!-- A text written where it stands, with its marks; what it says is seen when it is left. -->
<span class="text">
  <textarea
    bind:this={area}
    bind:value={text}
    class="written"
    rows={1}
    role="combobox"
    aria-label="Text of the notice"
    aria-expanded={offered.length > 0}
    aria-controls={offered.length ? choosing.listId : undefined}
    aria-activedescendant={offered.length ? choosing.activeId : undefined}
    aria-autocomplete="list"
    autocomplete="off"
    placeholder="What the reader is told"
    onfocus={() => (isFocused = true)}
    oninput={typed}
    onclick={where}
    onkeyup={where}
    onkeydown={keyed}
    onpaste={paste}
    onblur={left}></textarea>
  {#if offered.length}
    <div class="panel">
      <Options {choosing} label="What can stand there" options={offered} keyOf={(it) => it.id} onpick={take}>
        {#snippet option(it)}
          <span>{it.label}</span><span class="soft ml-auto pl-3 text-xs">{it.hint}</span>
        {/snippet}
      </Options>
    </div>
  {/if}
</span>
<span class="marks" role="group" aria-label="Writing">
  <Button
    look="token"
    title="Strong (Ctrl B)"
    onpointerdown={hold}
    onclick={() => put(emphasised(written(), "**"))}><b>B</b><span class="sr-only">, strong</span></Button
  >
  <Button
    look="token"
    title="Emphasis (Ctrl I)"
    onpointerdown={hold}
    onclick={() => put(emphasised(written(), "*"))}><i>I</i><span class="sr-only">, emphasis</span></Button
  >
  <Button
    look="token"
    title="An answer, or the number of a clause: type {'{'}"
    onpointerdown={hold}
    onclick={merge}>answer …</Button
  >
  <Button
    look="token"
    title="The words chosen stand there only when a condition holds"
    onpointerdown={hold}
    onclick={onlyWhen}>only when …</Button
  >
  <Button
    look="token"
    title="Rows and columns; rows of a spreadsheet can be pasted"
    onpointerdown={hold}
    onclick={table}>table</Button
  >
</span>

<style>
  .text {
    position: relative;
    display: block;
  }

  .written {
    field-sizing: content;
    display: block;
    width: 100%;
    min-height: 24px;
    resize: none;
    overflow: hidden;
    background: transparent;
    border: 0;
    padding: 0 4px;
    margin-inline: -4px;
    border-radius: var(--radius-sm);
    font: inherit;
    line-height: inherit;
    color: inherit;
  }

  .written:focus-visible {
    background: var(--color-paper);
    outline: 2px solid var(--color-river);
  }

  .marks {
    display: flex;
    flex-wrap: wrap;
    gap: 4px;
    margin-top: 5px;
  }

  .panel {
    position: absolute;
    z-index: 30;
    top: calc(100% + 3px);
    left: 0;
    width: min(100%, 420px);
    max-height: 230px;
    overflow-y: auto;
    border: 1px solid var(--color-edge);
    border-radius: var(--radius-lg);
    background: var(--color-paper);
    box-shadow: var(--shadow-card);
    padding: 5px;
    color: var(--color-ink);
    font: var(--text-chrome)/1.4 var(--font-chrome);
  }
</style>
