<script lang="ts">
  import { withKeys } from "../shortcuts";
  import Button from "../../ui/Button.svelte";
  import Input from "../../ui/Input.svelte";
  import type { Choice, Field, FieldKind } from "../../api/types";
  import { workingCopy } from "../context";
  import EditorLine from "./EditorLine.svelte";

  let { field, kind }: { field: Field; kind: Extract<FieldKind, { type: "oneChoice" | "severalChoices" }> } =
    $props();
  const choices = $derived(kind.choices);
  const layout = $derived(kind.layout);

  const copy = workingCopy();
  const key = $derived(field.key);
  let label = $state("");

  function add() {
    if (!label.trim()) return;
    const added = label;
    void copy.editNode(key, "field", (now) => ({
      type: "addChoice",
      key,
      label: added,
      after: now.kind.type === "oneChoice" ? (now.kind.choices.at(-1)?.id ?? null) : null,
    }));
    label = "";
  }

  function relabel(choice: Choice, input: HTMLInputElement) {
    const text = input.value.trim();
    if (text && text !== choice.label)
      void copy.edit({ type: "relabelChoice", key, choice: choice.id, label: text });
    else input.value = choice.label;
  }

  const move = (at: number, to: number) =>
    copy.edit({
      type: "moveChoice",
      key,
      choice: choices[at]!.id,
      after: to === 0 ? null : choices[to > at ? to : to - 1]!.id,
    });

  function keyed(event: KeyboardEvent, at: number) {
    const to = event.key === "ArrowUp" ? at - 1 : event.key === "ArrowDown" ? at + 1 : -1;
    if (!event.altKey || to < 0 || to >= choices.length) return;
    event.preventDefault();
    event.stopPropagation();
    void move(at, to);
  }

  /** Several lines become as many choices. */
  function paste(event: ClipboardEvent) {
    const lines = (event.clipboardData?.getData("text/plain") ?? "").split(/\r?\n/).filter((it) => it.trim());
    if (lines.length < 2) return;
    event.preventDefault();
    for (const line of lines) {
      void copy.edit(() => {
        const now = copy.view(key).node;
        const last = now.type === "field" && "choices" in now.kind ? now.kind.choices.at(-1)?.id : undefined;
        return { type: "addChoice", key, label: line.trim(), after: last ?? null };
      });
    }
  }
</script>

<EditorLine title="Choices">
  <ul class="grid gap-0.5">
    {#each choices as choice, i (choice.id)}
      <li class="flex items-center gap-0.5">
        <Input
          look="token value"
          class="min-w-0 grow"
          aria-label={`Choice ${i + 1}`}
          shows={choice.label}
          onchange={(event) => relabel(choice, event.currentTarget)}
          onkeydown={(event) => keyed(event, i)}
        />
        <Button
          look="token faint"
          aria-label={`Move ${choice.label} up`}
          title={withKeys("Up", "moveUp")}
          disabled={i === 0}
          onclick={() => move(i, i - 1)}>↑</Button
        >
        <Button
          look="token faint"
          aria-label={`Move ${choice.label} down`}
          title={withKeys("Down", "moveDown")}
          disabled={i === choices.length - 1}
          onclick={() => move(i, i + 1)}>↓</Button
        >
        <Button
          look="token faint"
          aria-label={`Take ${choice.label} away`}
          title="Take away"
          onclick={() => copy.edit({ type: "removeChoice", key, choice: choice.id, dropFollowers: false })}
          >×</Button
        >
      </li>
    {/each}
  </ul>
  <div class="mt-1 flex items-center gap-2">
    <Input
      look="token add"
      class="min-w-0 grow"
      placeholder="Another choice"
      aria-label="Another choice"
      maxlength={1000}
      bind:value={label}
      onpaste={paste}
      onkeydown={(event) => event.key === "Enter" && add()}
      onblur={add}
    />
    <span class="soft flex shrink-0 items-center gap-1" role="group" aria-label="Laid out as">
      as
      {#each ["marks", "list", "buttons"] as const as each (each)}
        <Button
          look="token"
          pressed={each === layout}
          onclick={() => copy.edit({ type: "setKind", key, kind: { ...kind, layout: each } })}>{each}</Button
        >
      {/each}
    </span>
  </div>
</EditorLine>
