<script lang="ts">
  import Button from "../../ui/Button.svelte";
  import Input from "../../ui/Input.svelte";
  import type { Section } from "../../api/types";
  import { workingCopy } from "../context";
  import EditorLine from "./EditorLine.svelte";

  let { section }: { section: Section } = $props();

  const copy = workingCopy();
  const set = (least: number, most: number) =>
    copy.edit({ type: "setRows", key: section.key, rows: { least, most } });
  const whole = (input: HTMLInputElement, otherwise: number) =>
    Number.isInteger(input.valueAsNumber) ? input.valueAsNumber : otherwise;
</script>

<EditorLine title="Repeats">
  {#if section.rows}
    {@const { least, most } = section.rows}
    from
    <Input
      look="token figure"
      width="3.5rem"
      type="number"
      min="0"
      aria-label="The least rows"
      shows={least}
      onchange={(event) => set(whole(event.currentTarget, least), most)}
    />
    to
    <Input
      look="token figure"
      width="3.5rem"
      type="number"
      min="1"
      aria-label="The most rows"
      shows={most}
      onchange={(event) => set(least, whole(event.currentTarget, most))}
    />
    rows
    <Button look="token" onclick={() => copy.edit({ type: "setRows", key: section.key, rows: null })}
      >stands once</Button
    >
  {:else}
    <Button look="token" onclick={() => set(1, 20)}>let it repeat</Button>
  {/if}
</EditorLine>
