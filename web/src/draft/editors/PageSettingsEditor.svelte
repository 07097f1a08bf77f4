<script lang="ts">
  import type { PageSettings } from "../../api/types";
  import { workingCopy } from "../context";
  import EditorLine from "./EditorLine.svelte";

  const copy = workingCopy();
  const settings = $derived(copy.settings!.pageSettings);
  const SPACINGS = ["compact", "normal", "roomy"] as const;
  const PAPERS = [
    { id: "a4", label: "A4" },
    { id: "letter", label: "Letter" },
  ] as const;
  const set = (part: Partial<PageSettings>) =>
    copy.edit(() => ({
      type: "setPageSettings",
      pageSettings: { ...copy.settings!.pageSettings, ...part },
    }));
</script>

<EditorLine title="Spacing">
  {#each SPACINGS as each (each)}
    <button
      type="button"
      class={["token plain", settings.spacing === each && "on"]}
      aria-pressed={settings.spacing === each}
      onclick={() => set({ spacing: each })}>{each}</button
    >
  {/each}
</EditorLine>
<EditorLine title="Pages">
  {#each PAPERS as { id, label } (id)}
    <button
      type="button"
      class={["token plain", settings.paper === id && "on"]}
      aria-pressed={settings.paper === id}
      onclick={() => set({ paper: id })}>{label}</button
    >
  {/each}
  <button
    type="button"
    class={["token plain", settings.numbering === "sections" && "on"]}
    aria-pressed={settings.numbering === "sections"}
    onclick={() => set({ numbering: settings.numbering === "sections" ? "none" : "sections" })}
    >sections numbered</button
  >
</EditorLine>
<EditorLine title="Language">
  <input
    class="token value"
    size="8"
    aria-label="Language of the texts"
    placeholder="en"
    title="A language tag, such as de, nl or ar"
    value={settings.language}
    onchange={(event) => set({ language: event.currentTarget.value.trim() })}
  />
  <span class="soft">{copy.settings!.rightToLeft ? "from right to left" : "from left to right"}</span>
</EditorLine>
