<script lang="ts">
  let {
    value,
    label,
    lines = false,
    placeholder = "",
    class: look = "",
    autofocus = false,
    onchange,
  }: {
    value: string;
    label: string;
    lines?: boolean;
    placeholder?: string;
    class?: string;
    autofocus?: boolean;
    onchange: (text: string) => void;
  } = $props();

  const IDLE = 900;
  let area: HTMLTextAreaElement;
  let timer: ReturnType<typeof setTimeout> | undefined;
  let kept = $state("");

  $effect(() => {
    kept = value;
    if (area.value.trim() !== value) area.value = value;
  });
  $effect(() => {
    if (autofocus) area.select();
    return () => commit();
  });

  function commit() {
    clearTimeout(timer);
    const text = area.value.trim();
    if (text !== kept) {
      kept = text;
      onchange(text);
    }
  }

  function typed() {
    clearTimeout(timer);
    if (area.value.trim()) timer = setTimeout(commit, IDLE);
  }

  function keyed(event: KeyboardEvent) {
    if (event.key === "Enter" && !lines) {
      event.preventDefault();
      commit();
    } else if (event.key === "Escape") {
      clearTimeout(timer);
      area.value = kept;
      area.blur();
      event.stopPropagation();
    }
  }
</script>

<!-- Text that is written where it stands: it looks like the text of the document, and is kept as one goes on. -->
<textarea
  bind:this={area}
  class={["editable", look]}
  rows="1"
  aria-label={label}
  {placeholder}
  oninput={typed}
  onblur={commit}
  onkeydown={keyed}></textarea>

<style>
  .editable {
    field-sizing: content;
    display: block;
    width: auto;
    max-width: 100%;
    min-width: 6ch;
    resize: none;
    overflow: hidden;
    background: transparent;
    padding: 0 3px;
    margin-left: -4px;
    border: 1px solid transparent;
    border-radius: var(--radius-sm);
    font: inherit;
    color: inherit;
  }

  .editable:hover {
    border-color: var(--color-straw-line);
  }

  .editable:focus-visible {
    border-color: var(--color-river);
    background: var(--color-paper);
    outline: 1px solid var(--color-river);
    outline-offset: 0;
  }
</style>
