<script lang="ts">
  import Button from "../../ui/Button.svelte";
  import type { Band, Field, FieldKind, Indicator } from "../../api/types";
  import { choicesOf } from "../../document/answers";
  import { band as newBand, PLAIN } from "../../document/looks";
  import BandsEditor from "./BandsEditor.svelte";
  import { hasBands, isDay } from "../conditions/clauses";
  import { workingCopy } from "../context";
  import EditorLine from "./EditorLine.svelte";
  import Picker from "../../ui/Picker.svelte";
  import SignsEditor from "./SignsEditor.svelte";

  let {
    indicator,
    band,
  }: {
    indicator: Indicator;
    /** What it shows now. */
    band: string | null;
  } = $props();

  const copy = workingCopy();
  const key = $derived(indicator.key);
  const hasChoices = (kind: FieldKind) => ["yesNo", "oneChoice", "severalChoices"].includes(kind.type);
  const followable = $derived(
    [...copy.nodes.values()].flatMap(({ node: it, name }) =>
      it.type === "field" ? [{ id: it.key, label: name }] : [],
    ),
  );
  const followed = $derived(copy.nodes.get(indicator.follows)?.node);
  const ofDays = $derived(followed?.type === "field" && isDay(followed.kind));
  const way = $derived(indicator.bands.length ? "bands" : indicator.presence ? "presence" : "choices");
  /** What an indicator can go by, with the kind of field it follows. */
  const shows = $derived([
    ...(followed?.type === "field" && hasBands(followed.kind)
      ? [{ id: "bands", label: "in bands; blank shows nothing" }]
      : []),
    ...(followed?.type === "field" && hasChoices(followed.kind)
      ? [{ id: "choices", label: "for each choice" }]
      : []),
    { id: "presence", label: "whether there is an answer" },
  ]);

  function showBy(id: string) {
    if (id === way) return;
    const sign = (label: string) => ({ label, look: PLAIN, picture: "" });
    if (id === "bands")
      void copy.edit({
        type: "setBands",
        key,
        bands: ofDays
          ? [
              starting("low", "Early", { at: "0", included: true, day: `${new Date().getFullYear()}-12-31` }),
              starting("high", "Late", null),
            ]
          : [starting("low", "Low", { at: "10", included: true, day: null }), starting("high", "High", null)],
      });
    else
      void copy.edit({
        type: "setSigns",
        key,
        choices: id === "choices" && followed?.type === "field" ? firstSign(followed) : [],
        presence: id === "presence" ? { answered: sign("There"), blank: sign("Missing") } : null,
      });
  }

  const starting = (id: string, label: string, upTo: Band["upTo"]) => ({
    ...newBand(id, PLAIN, upTo),
    label,
  });
  const firstSign = (field: Field) =>
    choicesOf(field.kind, null).map(({ id, label }) => ({
      choice: id,
      sign: { label, look: PLAIN, picture: "" },
    }));

  const field = $derived(followed?.type === "field" ? followed : undefined);
  const rows = $derived(copy.around(indicator.follows));
  const isShaded = $derived(JSON.stringify(field?.bands) === JSON.stringify(indicator.bands));
  const isRowShaded = $derived(
    field?.looks.some(({ when, extent }) => when.type === "band" && extent === "row"),
  );

  const shade = () => copy.edit({ type: "setBands", key: indicator.follows, bands: indicator.bands });

  /** The whole row is shaded by the bands of the field, which get these bands if they have not got them yet. */
  async function shadeRow() {
    if (!isShaded) await shade();
    await copy.editNode(indicator.follows, "field", (now) => ({
      type: "setLooks",
      keys: [now.key],
      looks: [
        ...now.looks,
        ...indicator.bands
          .filter(({ look }) => look.shade !== "plain" || look.colours)
          .map(({ id, look }) => ({
            when: { type: "band" as const, field: now.key, bands: [id], whenBlank: null },
            look: { ...look, mark: "none" as const },
            extent: "row" as const,
          })),
      ],
    }));
  }
</script>

{#snippet more()}
  {#if field && !isShaded}
    <Button look="token" class="mt-1" onclick={shade}>shade the answer too</Button>
  {/if}
  {#if field && rows && !isRowShaded}
    <Button look="token" class="mt-1" onclick={shadeRow}>shade the whole row</Button>
  {/if}
{/snippet}

<EditorLine title="Follows">
  <Picker
    label="Follows"
    tone="token field"
    text={copy.nodes.get(indicator.follows)?.name ?? ""}
    options={followable}
    chosen={[indicator.follows]}
    onpick={(field) => field !== indicator.follows && copy.edit({ type: "follow", key, field })}
  />
  <Picker
    label="Shows"
    text={shows.find(({ id }) => id === way)?.label ?? ""}
    options={shows}
    chosen={[way]}
    onpick={showBy}
  />
</EditorLine>
{#if way === "bands"}
  <BandsEditor
    title="Bands"
    bands={indicator.bands}
    now={band}
    canBeEmpty={false}
    {ofDays}
    {more}
    onchange={(change) =>
      copy.editNode(key, "indicator", (now) => ({ type: "setBands", key, bands: change(now.bands) }))}
  />
{:else}<SignsEditor {indicator} />{/if}
