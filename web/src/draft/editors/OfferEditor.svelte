<script lang="ts">
  import Button from "../../ui/Button.svelte";
  import type { Field, FieldKind, Offer } from "../../api/types";
  import { choicesOf } from "../../document/answers";
  import { workingCopy } from "../context";
  import EditorLine from "./EditorLine.svelte";
  import Picker from "../../ui/Picker.svelte";

  let { field, kind }: { field: Field; kind: Extract<FieldKind, { type: "oneChoice" | "severalChoices" }> } =
    $props();

  const copy = workingCopy();
  const key = $derived(field.key);
  const parents = $derived(
    [...copy.nodes.values()].flatMap(({ node, name }) =>
      node.type === "field" &&
      node.key !== key &&
      (node.kind.type === "oneChoice" || node.kind.type === "yesNo") &&
      [null, copy.around(key)].includes(copy.around(node.key))
        ? [{ id: node.key, label: name }]
        : [],
    ),
  );
  const offer = $derived(kind.offer);
  const parent = $derived(
    offer ? (copy.nodes.get(offer.parent)?.node as ({ type: "field" } & Field) | undefined) : undefined,
  );
  const set = (to: Offer | null) => copy.edit({ type: "setOffer", key, offer: to });

  /** Begins with everything for every answer, so that nothing is lost on the way. */
  function follow(id: string) {
    const node = copy.nodes.get(id)?.node;
    if (node?.type !== "field") return;
    const all = kind.choices.map((choice) => choice.id);
    void set({
      parent: id,
      perAnswer: Object.fromEntries(choicesOf(node.kind, null).map((choice) => [choice.id, all])),
    });
  }

  function swap(answer: string, choice: string) {
    void copy.editNode(key, "field", (now) => {
      const offers =
        now.kind.type === "oneChoice" || now.kind.type === "severalChoices" ? now.kind.offer : null;
      const offered = offers?.perAnswer[answer] ?? [];
      const to = offered.includes(choice) ? offered.filter((it) => it !== choice) : [...offered, choice];
      return {
        type: "setOffer",
        key,
        offer: { parent: offers!.parent, perAnswer: { ...offers!.perAnswer, [answer]: to } },
      };
    });
  }

  /** What is offered for one answer, in words. */
  function said(answer: string): string {
    const offered = offer?.perAnswer[answer] ?? [];
    if (!offered.length) return "nothing";
    if (offered.length === kind.choices.length) return "all";
    return kind.choices
      .filter(({ id }) => offered.includes(id))
      .map(({ label }) => label)
      .join(", ");
  }
</script>

{#if parents.length || offer}
  <EditorLine title="Offered" wide={!!offer}>
    {#if offer && parent}
      following
      <Picker
        label="Choices follow"
        tone="token field"
        text={copy.nodes.get(offer.parent)?.name ?? offer.parent}
        options={parents}
        chosen={[offer.parent]}
        onpick={follow}
      />
      <Button look="token" onclick={() => set(null)}>always all</Button>
      {#each choicesOf(parent.kind, null) as answer (answer.id)}
        <span class="mt-1 flex items-start gap-1"
          ><span class="token field shrink-0">{answer.label}</span>
          <Picker
            label={`Offered for ${answer.label}`}
            tone="token value"
            several
            text={said(answer.id)}
            options={kind.choices.map(({ id, label }) => ({ id, label }))}
            chosen={offer.perAnswer[answer.id] ?? []}
            onpick={(choice) => swap(answer.id, choice)}
          /></span
        >
      {/each}
    {:else}
      always all
      <Picker label="Choices follow" tone="token add" text="following …" options={parents} onpick={follow} />
    {/if}
  </EditorLine>
{/if}
