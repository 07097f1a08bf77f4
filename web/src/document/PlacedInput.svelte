<script lang="ts">
  import type { Place, SheetPage } from "../api/types";
  import { fitted, letterStyle, measured } from "./sheets";

  let {
    text,
    place,
    sheet,
    label,
    invalid,
    ontyped,
  }: {
    text: string;
    place: Place;
    sheet: SheetPage;
    label: string;
    invalid: boolean;
    ontyped: (text: string) => void;
  } = $props();

  const common = $derived({
    "aria-label": label,
    "aria-invalid": invalid || undefined,
    style: letterStyle(fitted(text, place, measured), sheet),
    class: place.lettering.alignment,
    oninput: (event: Event) => ontyped((event.currentTarget as HTMLInputElement).value),
  });
</script>

<!-- What is typed on the paper itself. -->
{#if place.lettering.lines}
  <textarea {...common} value={text}></textarea>
{:else}
  <input {...common} value={text} />
{/if}

<style>
  input,
  textarea {
    position: absolute;
    inset: 0;
    width: 100%;
    height: 100%;
    min-height: 0;
    padding: 0 0.27cqw;
    border: 0;
    background: none;
    color: inherit;
    font-family: var(--font-chrome);
    line-height: 1.22;
    resize: none;
  }

  .middle {
    text-align: center;
  }

  .end {
    text-align: end;
  }
</style>
