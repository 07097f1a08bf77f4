<script lang="ts">
  import { withKeys } from "../shortcuts";
  import Button from "../../ui/Button.svelte";
  import Input from "../../ui/Input.svelte";
  import { KINDS } from "../../api/kinds";
  import { conditionOf, hasBands, isDay } from "../conditions/clauses";
  import { aspectsOf } from "../../api/aspects";
  import type { FieldKind, Width } from "../../api/types";
  import AspectLine from "./AspectLine.svelte";
  import ChecksEditor from "./ChecksEditor.svelte";
  import BlockEditor from "./BlockEditor.svelte";
  import BondsLine from "./BondsLine.svelte";
  import BandsEditor from "./BandsEditor.svelte";
  import ChoicesEditor from "./ChoicesEditor.svelte";
  import { workingCopy } from "../context";
  import EditableText from "../desk/EditableText.svelte";
  import EditorLine from "./EditorLine.svelte";
  import FindingList from "./FindingList.svelte";
  import { OTHER_KINDS } from "../kinds";
  import IndicatorEditor from "./IndicatorEditor.svelte";
  import KindEditor from "./KindEditor.svelte";
  import FoldingEditor from "./FoldingEditor.svelte";
  import LooksEditor from "./LooksEditor.svelte";
  import LimitsEditor from "./LimitsEditor.svelte";
  import MediumEditor from "./MediumEditor.svelte";
  import OverlayEditor from "./OverlayEditor.svelte";
  import Picker from "../../ui/Picker.svelte";
  import RowsEditor from "./RowsEditor.svelte";
  import PictureEditor from "./PictureEditor.svelte";
  import RolePicker from "./RolePicker.svelte";
  import TextEditor from "./TextEditor.svelte";
  import ValueEditor from "./ValueEditor.svelte";
  import RefusedEdit from "./RefusedEdit.svelte";

  let { key }: { key: string } = $props();

  const copy = workingCopy();
  const view = $derived(copy.view(key));
  const node = $derived(view.node);
  const findings = $derived(copy.findings.filter((finding) => finding.key === key));
  const WIDTHS: Width[] = ["full", "half", "third"];
  const band = $derived("band" in view.state ? view.state.band : null);

  function setKind(id: string) {
    const kind = KINDS[id as FieldKind["type"]].start;
    if (node.type === "field" && id !== node.kind.type) void copy.edit({ type: "setKind", key, kind });
  }

  function rename(input: HTMLInputElement) {
    const to = input.value.trim();
    if (to && to !== key)
      void copy.edit({ type: "renameKey", key, to }).then((done) => done ?? (input.value = key));
    else input.value = key;
  }
</script>

<section class="editor-card" aria-label={`Logic of ${view.name}`} id={`n-${key}`}>
  <header class="mb-1.5 flex items-center gap-2">
    <h3 class="min-w-0 truncate text-sm font-semibold">{view.name}</h3>
    {#if node.type === "field"}
      <Picker
        label="Kind"
        text={KINDS[node.kind.type].label.toLowerCase()}
        options={OTHER_KINDS}
        chosen={[node.kind.type]}
        onpick={setKind}
      />
    {:else}
      <span class="soft">{node.type === "overlay" ? node.shape : node.type}</span>
    {/if}
    <Input
      look="token faint"
      class="key ml-auto max-w-[45%] shrink-0 text-right text-soft"
      size={Math.min(24, key.length + 1)}
      aria-label="Key"
      title="Key: the name in exports and formulas"
      shows={key}
      spellcheck="false"
      onchange={(event) => rename(event.currentTarget)}
    />
  </header>
  <RefusedEdit />
  {#if findings.length}
    <EditorLine title="Findings" wide><FindingList {findings} /></EditorLine>
  {/if}
  {#each aspectsOf(node) as aspect (aspect)}
    <AspectLine keys={[key]} {aspect} condition={conditionOf(node, aspect)} />
  {/each}
  {#if node.type === "field"}
    {#if node.kind.type === "oneChoice" || node.kind.type === "severalChoices"}
      <ChoicesEditor field={node} kind={node.kind} />
    {/if}
    <LimitsEditor field={node} />
    <KindEditor field={node} />
    <ValueEditor field={node} />
    <ChecksEditor field={node} />
    {#if hasBands(node.kind)}
      <BandsEditor
        title="Look"
        bands={node.bands}
        now={band}
        canBeEmpty
        ofDays={isDay(node.kind)}
        onchange={(change) =>
          copy.editNode(key, "field", (now) => ({ type: "setBands", key, bands: change(now.bands) }))}
      />
    {/if}
    <EditorLine title="Width">
      <span role="group" aria-label="Width">
        {#each WIDTHS as width (width)}
          <Button
            look="token"
            pressed={width === node.width}
            onclick={() => copy.edit({ type: "setWidth", key, width })}>{width}</Button
          >
        {/each}
      </span>
    </EditorLine>
  {:else if node.type === "indicator"}
    <IndicatorEditor indicator={node} {band} />
  {:else if node.type === "picture"}
    <PictureEditor picture={node} />
  {:else if node.type === "overlay"}
    <OverlayEditor overlay={node} />
  {/if}
  {#if node.type === "notice"}<TextEditor notice={node} />{/if}
  {#if "medium" in node}
    <MediumEditor keys={[key]} medium={node.medium} asked={node.type === "field"} />
  {/if}
  {#if node.type === "section"}
    <RowsEditor section={node} />
    {#key key}<BlockEditor section={node} />{/key}
  {/if}
  {#if node.type === "field" || node.type === "section" || node.type === "notice"}<LooksEditor {node} />{/if}
  {#if node.type === "field" || node.type === "section"}
    <EditorLine title="Help">
      {#key key}<EditableText
          value={node.help}
          label="Help"
          placeholder="A line that helps to answer"
          lines
          onchange={(help) => copy.edit({ type: "setHelp", key, help })}
        />{/key}
    </EditorLine>
  {/if}
  {#if "folding" in node}<FoldingEditor keys={[key]} folding={node.folding} />{/if}
  {#if node.type === "field"}<RolePicker keys={[key]} role={node.role} />{/if}
  <BondsLine {key} besides={"follows" in node ? node.follows : ""} />
  <footer class="flex flex-wrap gap-1 border-t border-hairline pt-2">
    <Button look="token" title={withKeys("Move up", "moveUp")} onclick={() => copy.move(key, -1)}
      >Move up</Button
    >
    <Button look="token" title={withKeys("Move down", "moveDown")} onclick={() => copy.move(key, 1)}
      >Move down</Button
    >
    <Button
      look="token"
      title={withKeys("Duplicate", "duplicate")}
      onclick={() => copy.make({ type: "duplicate", keys: [key], holder: null, after: null })}
      >Duplicate</Button
    >
    <Button
      look="token"
      class="ml-auto"
      title={withKeys("Delete", "delete")}
      onclick={() => copy.edit({ type: "delete", keys: [key], dropFollowers: false })}>Delete</Button
    >
  </footer>
</section>
