<script lang="ts" module>
  /** Something to pick; `group` stands softly behind the label, `swatch` is a class that colours a small sample. */
  export type Option = { id: string; label: string; hint?: string; swatch?: string };
</script>

<script lang="ts">
  import { tick } from "svelte";

  let {
    label,
    text,
    options,
    chosen = [],
    several = false,
    tone = "plain",
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
    tone?: "plain" | "field" | "value" | "add" | "bare";
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
  let at = $state(0);
  let box: HTMLElement;
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

  $effect(() => {
    if (isOpen) void place();
  });

  async function place() {
    await tick();
    atRight = box.getBoundingClientRect().left + 290 > innerWidth;
    field?.focus();
    at = Math.max(
      0,
      found.findIndex((option) => chosen.includes(option.id)),
    );
    await tick();
    document.getElementById(`${id}-list`)?.scrollIntoView({ block: "nearest" });
  }

  function pick(option: Option | undefined) {
    if (!option) return;
    onpick(option.id);
    if (!several) close(true);
  }

  function close(back: boolean) {
    if (!isOpen) return;
    isOpen = false;
    sought = "";
    if (back) box.querySelector("button")?.focus();
    onclose?.();
  }

  function keyed(event: KeyboardEvent) {
    if (event.key === "ArrowDown") at = Math.min(at + 1, found.length - 1);
    else if (event.key === "ArrowUp") at = Math.max(at - 1, 0);
    else if (event.key === "Enter") pick(found[at]);
    else if (event.key === "Escape") close(true);
    else return;
    event.preventDefault();
    event.stopPropagation();
    document.getElementById(`${id}-${at}`)?.scrollIntoView({ block: "nearest" });
  }

  function left(event: FocusEvent) {
    if (!box.contains(event.relatedTarget as Element | null)) close(false);
  }
</script>

<span class="relative inline-block" bind:this={box} onfocusout={left}>
  <button
    type="button"
    class={["token", tone]}
    aria-label={`${label}: ${text}`}
    aria-haspopup="listbox"
    aria-expanded={isOpen}
    onclick={() => (isOpen ? close(true) : (isOpen = true))}>{text}</button
  >
  {#if isOpen}
    <span class={["panel", atRight ? "right-0" : "left-0"]}>
      <input
        bind:this={field}
        class="text-input w-full font-chrome"
        role="combobox"
        aria-label={label}
        aria-expanded="true"
        aria-controls={`${id}-list`}
        aria-activedescendant={found[at] ? `${id}-${at}` : undefined}
        autocomplete="off"
        {placeholder}
        bind:value={sought}
        oninput={() => (at = 0)}
        onkeydown={keyed}
      />
      <ul
        id={`${id}-list`}
        role="listbox"
        aria-label={label}
        aria-multiselectable={several || undefined}
        class="mt-1 max-h-56 overflow-y-auto"
      >
        {#each found as option, i (option.id)}
          <!-- svelte-ignore a11y_click_events_have_key_events -- the keys are those of the combobox above -->
          <li
            id={`${id}-${i}`}
            role="option"
            aria-selected={chosen.includes(option.id)}
            class={["option", i === at && "at"]}
            onpointerdown={(event) => event.preventDefault()}
            onclick={() => pick(option)}
          >
            {#if several}<span class="w-3" aria-hidden="true">{chosen.includes(option.id) ? "✓" : ""}</span
              >{/if}
            {#if option.swatch}<span class={["h-3.5 w-6 rounded-sm border", option.swatch]} aria-hidden="true"
              ></span>{/if}
            <span>{option.label}</span>
            {#if option.hint}<span class="soft ml-auto pl-3 text-xs">{option.hint}</span>{/if}
          </li>
        {:else}
          <li class="soft px-2 py-1.5">Nothing of this name</li>
        {/each}
      </ul>
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
    font: 13px/1.4 var(--font-chrome);
  }

  .option {
    display: flex;
    align-items: center;
    gap: 7px;
    border-radius: var(--radius-sm);
    padding: 4px 7px;
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
</style>
