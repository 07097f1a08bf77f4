<script lang="ts">
  import type { Ink, Place, SheetPage } from "../../api/types";
  import { choicesOf, readChosen, typedOf, writeChosen } from "../../document/answers";
  import FieldControl from "../../document/FieldControl.svelte";
  import { question } from "../../document/labels";
  import { PLAIN } from "../../document/looks";
  import PictureItem from "../../document/PictureItem.svelte";
  import PlacedInk from "../../document/PlacedInk.svelte";
  import PlacedInput from "../../document/PlacedInput.svelte";
  import PlacedOverlay from "../../document/PlacedOverlay.svelte";
  import PlacedText from "../../document/PlacedText.svelte";
  import PlacedTick from "../../document/PlacedTick.svelte";
  import { cells, placeStyle } from "../../document/sheets";
  import { address } from "../../document/answers";
  import { workingCopy } from "../context";
  import EditableText from "./EditableText.svelte";
  import WhyPanel from "../panels/WhyPanel.svelte";
  import Button from "../../ui/light/Button.svelte";

  let {
    place,
    sheet,
    first,
    ink,
  }: {
    place: Place;
    sheet: SheetPage;
    /** Whether it is the first place of its item, where the item is edited. */
    first: boolean;
    /** What stands there on paper; undefined for nothing. */
    ink: Ink | undefined;
  } = $props();

  const copy = workingCopy();
  const key = $derived(place.item);
  const view = $derived(copy.view(key));
  const node = $derived(view.node);
  const around = $derived(copy.around(key));
  const row = $derived(around ? (copy.rowsOf(around)?.[place.row] ?? "") : "");
  const isThere = $derived(!around || !!row);
  const at = $derived(address(key, row));
  const stand = $derived(copy.stateOf(key, row) ?? view.state);
  const isSelected = $derived(copy.selected === key);
  const isOpen = $derived(isSelected && first);
  let asked = $state(false);

  /** What one types on the paper itself; all else opens beneath it. */
  const WRITTEN = new Set(["text", "longText", "email", "phone", "webAddress", "number", "money"]);
  const written = $derived(node.type === "field" && !place.choice && WRITTEN.has(node.kind.type));
  const text = $derived.by(() => {
    if (node.type !== "field" || stand.type !== "field") return "";
    return copy.answers[at] ?? typedOf(stand.value);
  });
  /** What is read there, and told to who cannot see it. */
  const inkWords = $derived.by(() => {
    if (ink?.type === "lettered") {
      const said = ink.look.words ? `${ink.text} (${ink.look.words})` : ink.text;
      return place.lettering.cells ? cells(said, place.lettering).join("") : said;
    }
    return ink?.type === "signedHere" ? (/^(data:|M)/.test(ink.signed) ? "signed" : ink.signed) : "";
  });
  const isMarked = $derived(readChosen(text).ids.includes(place.choice));
  const choice = $derived(
    node.type === "field"
      ? (choicesOf(node.kind, null).find(({ id }) => id === place.choice)?.label ?? place.choice)
      : "",
  );

  function mark() {
    if (node.type !== "field" || stand.type !== "field" || !stand.editable) return;
    const { ids, words } = readChosen(text);
    const several = node.kind.type === "severalChoices";
    const rest = ids.filter((id) => id !== place.choice);
    const next = isMarked ? rest : several ? [...ids, place.choice] : [place.choice];
    copy.tryOut(at, writeChosen({ ids: next, words: several ? words : null }));
  }
</script>

<!-- svelte-ignore a11y_no_static_element_interactions, a11y_click_events_have_key_events (selecting by keyboard goes through the controls and the contents) -->
<div
  id={first ? `i-${key}` : undefined}
  data-key={key}
  class={["place", isSelected && "selected", copy.also.has(key) && "also", !stand.shown && "folded"]}
  style={placeStyle(place, sheet)}
  onclick={(event) => {
    if (event.ctrlKey || event.metaKey) copy.toggle(key);
    else if (event.shiftKey) copy.extend(key);
    else void copy.select(key);
  }}
  onfocusin={() => copy.selected === key || copy.also.has(key) || copy.select(key)}
>
  {#if !stand.shown || !isThere}
    <Button
      look="bare"
      class="slip"
      title={`${view.name}: folded now`}
      aria-label={`${view.name}, folded now`}
    ></Button>
  {:else if node.type === "field" && stand.type === "field"}
    {#if place.choice}
      <Button
        look="bare"
        class="mark"
        role={node.kind.type === "severalChoices" ? "checkbox" : "radio"}
        aria-checked={isMarked}
        aria-label={`${node.label}: ${choice}`}
        title={`${node.label}: ${choice}`}
        disabled={!stand.editable}
        onclick={mark}
        >{#if isMarked}<PlacedTick tick={place.lettering.tick} />{/if}</Button
      >
    {:else if written && !place.lettering.cells && stand.editable}
      <PlacedInput
        {text}
        {place}
        {sheet}
        label={question(node)}
        invalid={!!stand.problem}
        ontyped={(typed) => copy.tryOut(at, typed)}
      />
    {:else}
      <Button look="bare" class="opens" aria-label={`${question(node)}: ${inkWords || "not answered"}`}>
        {#if ink}<PlacedInk {ink} {sheet} base={`/api/templates/${copy.template}`} />{/if}
      </Button>
    {/if}
  {:else if node.type === "notice" && stand.type === "notice"}
    <PlacedText
      text={stand.text
        .map((it) => (it.type === "paragraph" ? it.spans.map((span) => span.text).join("") : ""))
        .join("\n")}
      {place}
      {sheet}
      look={stand.look}
    />
  {:else if node.type === "indicator" && stand.type === "indicator"}
    {@const signs = [...node.bands, ...node.choices.map((it) => ({ id: it.choice, ...it.sign }))]}
    {@const sign = signs.find(({ id }) => id === stand.band)}
    {#if sign}<PlacedText text={sign.label} {place} {sheet} look={sign.look ?? PLAIN} />{/if}
  {:else if node.type === "picture"}
    <div class="picture"><PictureItem picture={node} typed={copy.answers[node.follows] ?? ""} /></div>
  {:else if node.type === "overlay"}
    <PlacedOverlay shape={node.shape} words={node.words} {place} {sheet} />
  {/if}
  {#if isOpen && node.type === "field" && stand.type === "field"}
    <div class="above" id={`a-${at}-label`}>
      <EditableText
        value={node.label}
        label="Label"
        onchange={(label) => copy.edit({ type: "relabel", key, label })}
      />{#if stand.required}<span class="text-clay" title="required">*</span>{/if}
    </div>
    {#if stand.shown && (!written || place.choice || place.lettering.cells || stand.problem || !stand.editable)}
      <div class="below">
        {#if (!written || place.choice || place.lettering.cells) && isThere}
          <FieldControl
            field={node}
            state={stand}
            typed={copy.answers[at]}
            id={`a-${at}`}
            labelledBy={`a-${at}-label`}
            invalid={!!stand.problem}
            ontyped={(typed) => copy.tryOut(at, typed)}
          />
        {/if}
        {#if stand.problem}<p class="trouble text-note">{stand.problem}</p>{/if}
        {#if !stand.editable && node.editable}
          <p class="soft text-note">
            Locked. <Button look="underlined" aria-expanded={asked} onclick={() => (asked = !asked)}
              >Why</Button
            >
          </p>
          {#if asked}<WhyPanel {at} onclose={() => (asked = false)} />{/if}
        {/if}
      </div>
    {/if}
  {/if}
</div>

<style>
  .place {
    position: absolute;
    background: rgb(47 111 159 / 7%);
    border-radius: 1px;
  }

  .place:hover {
    background: rgb(47 111 159 / 14%);
  }

  .selected,
  .also {
    z-index: 5;
    outline: 2px solid var(--color-card-edge);
    outline-offset: 1px;
  }

  .folded {
    background: none;
    outline: 1px dashed var(--color-edge);
    outline-offset: -1px;
  }

  .folded.selected {
    outline: 2px dashed var(--color-card-edge);
  }

  .place > :global(.mark),
  .place > :global(.opens),
  .place > :global(.slip) {
    position: absolute;
    inset: 0;
    width: 100%;
    height: 100%;
    min-height: 0;
    padding: 0;
    border: 0;
    background: none;
    color: inherit;
    cursor: pointer;
  }

  .place > :global(.mark:disabled) {
    cursor: not-allowed;
  }

  .picture :global(img) {
    position: absolute;
    inset: 0;
    width: 100%;
    height: 100%;
    object-fit: contain;
  }

  .above,
  .below {
    position: absolute;
    left: -2px;
    min-width: min(280px, 60cqw);
    max-width: 70cqw;
    padding: 3px 8px;
    background: var(--color-paper);
    border: 1px solid var(--color-card-edge);
    border-radius: 4px;
    color: var(--color-ink);
    font-size: var(--text-note);
    z-index: 6;
  }

  .above {
    bottom: calc(100% + 4px);
    font-weight: 600;
    display: flex;
    gap: 4px;
  }

  .below {
    top: calc(100% + 4px);
    padding: 8px;
    box-shadow: var(--shadow-card, 0 4px 14px rgb(0 0 0 / 12%));
  }
</style>
