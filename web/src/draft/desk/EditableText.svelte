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
  let kept = "";

  // What is being written is not overwritten by what comes back from the server for an earlier state of it.
  $effect(() => {
    const now = area.value.trim();
    const isBeingWritten = now !== kept;
    kept = value;
    // A blank at the end is no difference, and there to go on writing behind it.
    if (!isBeingWritten && now !== value) area.value = value;
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
  rows={1}
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
    max-width: calc(100% + 8px);
    min-width: 24px;
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

  .editable:hover {
    outline: 1px solid var(--color-straw-line);
  }

  .editable:focus-visible {
    background: var(--color-paper);
    outline: 2px solid var(--color-river);
    outline-offset: 0;
  }
</style>
