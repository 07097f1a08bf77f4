<script lang="ts" module>
  import { request } from "../../api/http";
  import type { FunctionView } from "../../api/types";

  /** The functions are the same for all documents. */
  let functionsAsked: Promise<FunctionView[]> | null = null;

  function allFunctions(): Promise<FunctionView[]> {
    functionsAsked ??= request<FunctionView[]>("GET", "/api/formulas/functions").catch((problem: unknown) => {
      functionsAsked = null;
      throw problem;
    });
    return functionsAsked;
  }
</script>

<script lang="ts">
  import Button from "../../ui/Button.svelte";
  import { onDestroy, tick } from "svelte";
  import { Choosing } from "../../ui/choosing.svelte";
  import Options from "../../ui/Options.svelte";
  import type { CheckedFormula, NameView } from "../../api/types";
  import { workingCopy } from "../context";
  import { type Completion, completed, completions, mended, openCall } from "./formulas";

  let {
    label,
    value,
    rows,
    placeholder = "such as length * width",
    autofocus = false,
    onwrite,
  }: {
    /** What the formula is for, said to screen readers. */
    label: string;
    value: string;
    /** The repeating section in whose rows it stands; null for outside of rows. */
    rows: string | null;
    placeholder?: string;
    autofocus?: boolean;
    onwrite: (formula: string) => void;
  } = $props();

  const PAUSE = 250;
  const copy = workingCopy();
  const id = $props.id();
  const base = `/api/templates/${copy.template}/draft`;
  let area: HTMLTextAreaElement;
  // svelte-ignore state_referenced_locally
  let text = $state(value);
  let caret = $state(0);
  let isFocused = $state(false);
  /** Whether the list was put away until something else is typed. */
  let isClosed = $state(true);
  let names = $state<NameView[]>([]);
  let functions = $state<FunctionView[]>([]);
  let checked = $state<CheckedFormula | null>(null);
  let timer: ReturnType<typeof setTimeout> | undefined;

  $effect(() => {
    if (!isFocused) text = value;
  });

  const offered = $derived(isFocused && !isClosed ? completions(text, caret, names, functions) : null);
  const choosing = new Choosing(id, () => offered?.list ?? []);
  $effect(() => {
    if (offered) document.getElementById(choosing.listId)?.scrollIntoView({ block: "nearest" });
  });
  const call = $derived(isFocused ? openCall(text, caret, functions) : null);
  /** What is wrong; not while something is still being written where it is missing. */
  const trouble = $derived.by(() => {
    const found = checked?.trouble ?? null;
    const isUnfinished =
      isFocused && found !== null && (offered !== null || found.at >= text.trimEnd().length);
    return isUnfinished ? null : found;
  });
  const instead = $derived(trouble ? mended(text, trouble) : null);

  onDestroy(() => clearTimeout(timer));

  async function focused() {
    isFocused = true;
    where();
    check();
    try {
      [functions, names] = await Promise.all([
        allFunctions(),
        request<NameView[]>("GET", `${base}/formula-names?rows=${encodeURIComponent(rows ?? "")}`),
      ]);
    } catch {
      // It can be written without; what is wrong is told when it is taken.
    }
  }

  function where() {
    caret = area.selectionStart;
  }

  function typed() {
    text = area.value;
    choosing.go(0);
    isClosed = false;
    where();
    check();
  }

  /** Asks the server, after a pause, whether what stands there can be taken. */
  function check() {
    clearTimeout(timer);
    const formula = text;
    timer = setTimeout(async () => {
      if (!formula.trim()) return void (checked = null);
      try {
        const answer = await request<CheckedFormula>("POST", `${base}/check-formula`, {
          formula,
          rows: rows ?? "",
        });
        if (formula === text) checked = answer;
      } catch {
        checked = null;
      }
    }, PAUSE);
  }

  async function take(completion: Completion | undefined) {
    if (!offered || !completion) return;
    const done = completed(text, offered.at, completion);
    await put(done.formula, done.caret);
    isClosed = true;
  }

  async function put(formula: string, to: number) {
    text = formula;
    await tick();
    area.focus();
    area.setSelectionRange(to, to);
    where();
    check();
  }

  function write() {
    const formula = text.trim();
    if (formula && formula !== value) onwrite(formula);
  }

  function keyed(event: KeyboardEvent) {
    if (offered && event.key === "Tab" && !event.shiftKey) void take(choosing.current);
    else if (offered && !(event.key === "Enter" && event.shiftKey)) {
      choosing.keyed(event, { pick: take, close: () => (isClosed = true) });
      return;
    } else if (event.key === "Escape" && text !== value) {
      text = value;
      checked = null;
    } else if (event.key === "Enter" && !event.shiftKey) write();
    else return;
    event.preventDefault();
    event.stopPropagation();
  }

  function left() {
    isFocused = false;
    isClosed = true;
    write();
  }

  const focus = (node: HTMLTextAreaElement) => {
    if (autofocus) node.focus();
  };
</script>

<span class="formula-input">
  <textarea
    bind:this={area}
    bind:value={text}
    class={["token figure formula", trouble && "wrong"]}
    rows={1}
    role="combobox"
    aria-label={label}
    aria-expanded={offered !== null}
    aria-controls={offered ? choosing.listId : undefined}
    aria-activedescendant={offered ? choosing.activeId : undefined}
    aria-autocomplete="list"
    aria-invalid={trouble ? true : undefined}
    aria-describedby={`${id}-says`}
    autocomplete="off"
    spellcheck="false"
    {placeholder}
    use:focus
    onfocus={focused}
    oninput={typed}
    onclick={where}
    onkeyup={where}
    onkeydown={keyed}
    onblur={left}></textarea>
  {#if offered}
    <div class="panel">
      <Options
        {choosing}
        label="What can stand there"
        options={offered.list}
        keyOf={(it) => it.label}
        hintOf={(it) => it.hint}
        onpick={take}
      >
        {#snippet option(it)}
          <span class="name">{it.label}{it.isFunction ? "( )" : ""}</span>
          <span class="soft hint">{it.hint}</span>
        {/snippet}
      </Options>
    </div>
  {/if}
  <span id={`${id}-says`} class="says">
    {#if offered}<span class="sr-only">{offered.list.length} can stand there</span>
    {:else if trouble}
      <span class="trouble" role="alert">{trouble.message}</span>
      {#if instead !== null}
        <Button
          look="token"
          onpointerdown={(event) => event.preventDefault()}
          onclick={() => put(instead, trouble.at + trouble.instead!.length)}>Write {trouble.instead}</Button
        >
      {/if}
    {:else if call}
      {@const { function: it, parameter } = call}
      <span class="call"
        >{it.name}({#each it.parameters as name, i (name)}{i ? ", " : ""}{#if i === parameter}<b>{name}</b
            >{:else}{name}{/if}{/each}{it.variadic ? ", …" : ""})</span
      >
      <span class="soft">{it.says}</span>
    {:else if checked && isFocused && checked.type !== "anything"}
      <span class="soft">gives {checked.type}</span>
    {/if}
  </span>
</span>

<style>
  .formula-input {
    position: relative;
    display: block;
    width: 100%;
  }

  .formula {
    display: block;
    width: 100%;
    font-family: var(--font-key);
    font-size: var(--text-note);
    field-sizing: content;
    resize: vertical;
  }

  .says {
    display: block;
    margin-top: 5px;
    font-size: var(--text-note);
    line-height: 1.4;
    overflow-wrap: anywhere;
  }

  .says:empty {
    display: none;
  }

  .call {
    font-family: var(--font-key);
  }

  .panel {
    position: absolute;
    z-index: 30;
    top: calc(100% + 3px);
    left: 0;
    width: 100%;
    min-width: 270px;
    max-height: 230px;
    overflow-y: auto;
    border: 1px solid var(--color-edge);
    border-radius: var(--radius-lg);
    background: var(--color-paper);
    box-shadow: var(--shadow-card);
    padding: 5px;
    font: var(--text-chrome)/1.4 var(--font-chrome);
  }

  .name {
    font-family: var(--font-key);
    flex-shrink: 0;
  }

  .hint {
    min-width: 0;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
    font-size: var(--text-note);
  }
</style>
