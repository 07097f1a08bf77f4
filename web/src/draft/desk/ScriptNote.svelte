<script lang="ts">
  import Button from "../../ui/light/Button.svelte";
  import { workingCopy } from "../context";

  let { page, item, script }: { page: string; item: string; script: string } = $props();

  const copy = workingCopy();

  /** Its rule is written anew, or not wanted. */
  const forget = () =>
    copy.editNode(page, "page", (now) => ({
      type: "setPlaces",
      page,
      places: now.places.map((place) => (place.item === item ? { ...place, script: "" } : place)),
    }));
</script>

<!-- What the file would have run by itself: to be read, and never run. -->
<details class="script">
  <summary
    >{item
      ? `${copy.view(item).name}: the file had a script here, which is not run`
      : "The file had scripts of its own, which are not run"}</summary
  >
  <pre>{script}</pre>
  {#if item}<Button look="token" onclick={forget}>Its rule is written; take it away</Button>{/if}
</details>

<style>
  .script {
    padding: 2px 14px 4px 16px;
    font-size: var(--text-note);
    color: var(--color-soft);
  }

  summary {
    cursor: pointer;
  }

  pre {
    max-height: 180px;
    overflow: auto;
    margin-block: 4px;
    padding: 6px 8px;
    background: var(--color-paper);
    border: 1px solid var(--color-line);
    border-radius: 4px;
    color: var(--color-ink);
    font: var(--text-note) / 1.4 var(--font-key);
    white-space: pre-wrap;
    overflow-wrap: anywhere;
  }
</style>
