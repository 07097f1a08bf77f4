<script lang="ts" module>
  /** Something to pick; `group` stands softly behind the label, `swatch` is a class that colours a small sample. */
  export type Option = { id: string; label: string; hint?: string; swatch?: string };
</script>

<script lang="ts">
  import { tick } from "svelte";
  import Button from "./Button.svelte";
  import { Choosing } from "./choosing.svelte";
  import Input from "./Input.svelte";
  import type { ButtonLook } from "./looks";
  import Options from "./Options.svelte";

  let {
    label,
    text,
    options,
    chosen = [],
    several = false,
    tone = "token",
    open = false,
    placeholder = "Type to find",
    extra = () => [],
    onpick,
    onclose,
  }: {
    /** What the token is for, said to screen readers. */
    label: string;
    /** What stands in the token. */
    text: string;
    options: Option[];
    chosen?: string[];
    several?: boolean;
    tone?: ButtonLook;
    open?: boolean;
    placeholder?: string;
    /** What is offered besides for what was typed. */
    extra?: (typed: string) => Option[];
    onpick: (id: string) => void;
    onclose?: () => void;
  } = $props();

  const MOST = 200;
  const id = $props.id();
  // svelte-ignore state_referenced_locally
  let isOpen = $state(open);
  let sought = $state("");
  let box = $state<HTMLElement>();
  let field = $state<HTMLInputElement>();
  let atRight = $state(false);

  const words = $derived(sought.toLowerCase().split(/\s+/).filter(Boolean));
  const found = $derived(
    [
      ...(sought.trim() ? extra(sought) : []),
      ...options.filter((option) =>
        words.every((word) => `${option.label} ${option.hint ?? ""}`.toLowerCase().includes(word)),
      ),
    ].slice(0, MOST),
  );

  const choosing = new Choosing(id, () => found);

  $effect(() => {
    if (isOpen) void place();
  });

  async function place() {
    await tick();
    atRight = box!.getBoundingClientRect().left + 290 > innerWidth;
    field?.focus();
    choosing.go(found.findIndex((option) => chosen.includes(option.id)));
    await tick();
    document.getElementById(choosing.listId)?.scrollIntoView({ block: "nearest" });
  }

  function pick(option: Option | undefined) {
    if (!option) return;
    onpick(option.id);
    // What was typed found it; the next word finds another.
    if (several) field?.select();
    else close(true);
  }

  function close(back: boolean) {
    if (!isOpen) return;
    isOpen = false;
    sought = "";
    if (back) box?.querySelector("button")?.focus();
    onclose?.();
  }

  function left(event: FocusEvent) {
    if (!box?.contains(event.relatedTarget as Element | null)) close(false);
  }
</script>

<span class="relative inline-block" bind:this={box} onfocusout={left}>
  <Button
    look={tone}
    aria-label={`${label}: ${text}`}
    aria-haspopup="listbox"
    aria-expanded={isOpen}
    onclick={() => (isOpen ? close(true) : (isOpen = true))}>{text}</Button
  >
  {#if isOpen}
    <span class={["panel", atRight ? "right-0" : "left-0"]}>
      <Input
        bind:element={field}
        width="100%"
        role="combobox"
        aria-label={label}
        aria-expanded="true"
        aria-controls={choosing.listId}
        aria-activedescendant={choosing.activeId}
        autocomplete="off"
        {placeholder}
        bind:value={sought}
        oninput={() => choosing.go(0)}
        onkeydown={(event) => choosing.keyed(event, { pick, close: () => close(true) })}
      />
      <Options
        {choosing}
        {label}
        options={found}
        keyOf={({ id }) => id}
        isChosen={({ id }) => chosen.includes(id)}
        {several}
        nothing="Nothing of this name"
        class="mt-1 max-h-56"
        onpick={pick}
      >
        {#snippet option(it)}
          {#if several}<span class="w-3" aria-hidden="true">{chosen.includes(it.id) ? "✓" : ""}</span>{/if}
          {#if it.swatch}<span
              class={["h-3.5 w-6 self-center rounded-sm border", it.swatch]}
              aria-hidden="true"
            ></span>{/if}
          <span>{it.label}</span>
          {#if it.hint}<span class="soft ml-auto pl-3 text-xs">{it.hint}</span>{/if}
        {/snippet}
      </Options>
    </span>
  {/if}
</span>

<style>
  .panel {
    position: absolute;
    top: calc(100% + 3px);
    z-index: 30;
    width: 286px;
    border: 1px solid var(--color-edge);
    border-radius: var(--radius-lg);
    background: var(--color-paper);
    box-shadow: var(--shadow-card);
    padding: 6px;
    font: var(--text-chrome)/1.4 var(--font-chrome);
  }
</style>
