<script lang="ts">
  import Button from "../../ui/Button.svelte";
  import Input from "../../ui/Input.svelte";
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
  const NUMBERINGS = [
    { id: "sections", label: "all sections", title: "Folded ones count too, so that no number ever changes" },
    { id: "shownSections", label: "sections shown", title: "Counted anew, without those that are left out" },
    { id: "none", label: "none", title: "Clauses are counted through the whole document" },
  ] as const;
  const set = (part: Partial<PageSettings>) =>
    copy.edit(() => ({
      type: "setPageSettings",
      pageSettings: { ...copy.settings!.pageSettings, ...part },
    }));
</script>

<EditorLine title="Spacing">
  {#each SPACINGS as each (each)}
    <Button look="token" pressed={settings.spacing === each} onclick={() => set({ spacing: each })}
      >{each}</Button
    >
  {/each}
</EditorLine>
<EditorLine title="Pages">
  {#each PAPERS as { id, label } (id)}
    <Button look="token" pressed={settings.paper === id} onclick={() => set({ paper: id })}>{label}</Button>
  {/each}
</EditorLine>
<EditorLine title="Numbers">
  {#each NUMBERINGS as { id, label, title } (id)}
    <Button look="token" {title} pressed={settings.numbering === id} onclick={() => set({ numbering: id })}
      >{label}</Button
    >
  {/each}
</EditorLine>
<EditorLine title="Language">
  <Input
    look="token value"
    size={8}
    aria-label="Language of the texts"
    placeholder="en"
    title="A language tag, such as de, nl or ar"
    shows={settings.language}
    onchange={(event) => set({ language: event.currentTarget.value.trim() })}
  />
  <span class="soft">{copy.settings!.rightToLeft ? "from right to left" : "from left to right"}</span>
</EditorLine>
