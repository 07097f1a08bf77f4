<script lang="ts">
  import { onMount } from "svelte";
  import type { Ink } from "../../api/types";
  import Button from "../../ui/Button.svelte";
  import SheetPaper from "../../document/SheetPaper.svelte";
  import { workingCopy } from "../context";
  import ItemEditor from "../editors/ItemEditor.svelte";
  import SeveralEditor from "../editors/SeveralEditor.svelte";
  import Note from "../margin/Note.svelte";
  import PlacesTools from "./PlacesTools.svelte";
  import { Placing } from "../placing.svelte";
  import { stacked } from "../placing";
  import { firstPlaces, placeName, sheetOf } from "../sheets";
  import Line from "./Line.svelte";
  import PlaceInPlace from "./PlaceInPlace.svelte";
  import PlacesOfSheet from "./PlacesOfSheet.svelte";
  import ScriptNote from "./ScriptNote.svelte";

  let {
    page,
    placed,
    inks,
  }: {
    page: string;
    /** On which page each item stands first: there its logic stands beside it. */
    placed: ReadonlyMap<string, string>;
    /** What stands on this page now, by the names of places. */
    inks: ReadonlyMap<string, Ink>;
  } = $props();

  const copy = workingCopy();
  const it = $derived(sheetOf(copy.nodes.get(page))!);
  const { sheet, places } = $derived(it);
  const first = $derived(
    new Set([...firstPlaces(places)].filter((i) => placed.get(places[i]!.item) === page)),
  );
  const source = $derived(`/api/templates/${copy.template}/sheets/${sheet.file}/pages/${sheet.number}`);
  /** Its places while they are changed; null while it is filled in. */
  let placing = $state.raw<Placing | null>(null);
  let width = $state(0);
  let heights = $state<Record<string, number>>({});

  /** What has something to say in the margin, from the top of the page. */
  const notes = $derived(
    places
      .map((place, i) => ({ place, i }))
      .filter(({ i, place }) => first.has(i) && copy.nodes.has(place.item))
      .map(({ place }) => ({
        key: place.item,
        top: (place.top / sheet.width) * width,
        script: places.find((other) => other.item === place.item && other.script)?.script ?? "",
      }))
      .filter(({ key, script }) => copy.view(key).sentences.length || script || copy.selected === key)
      .sort((a, b) => a.top - b.top),
  );
  const tops = $derived(
    stacked(
      notes.map(({ key, top }) => ({ top, height: heights[key] ?? 0 })),
      4,
    ),
  );
  const foot = $derived(Math.max(0, ...notes.map(({ key }, i) => tops[i]! + (heights[key] ?? 0))));

  let ground = $state<HTMLElement>();
  /** Where nothing stands yet, what is found comes first. */
  const place = () => {
    placing = new Placing(copy, page);
    void placing.look();
  };

  onMount(() => {
    if (!places.length) place();
    const watching = new ResizeObserver(([entry]) => (width = entry!.contentRect.width));
    if (ground) watching.observe(ground);
    return () => watching.disconnect();
  });
</script>

<Line open={notes.some(({ key }) => key === copy.selected) || !!placing}>
  {#snippet sheet()}
    <div class="flex items-center gap-3 py-1.5">
      <Button look="token" pressed={!!placing} onclick={() => (placing ? (placing = null) : place())}
        >Places</Button
      >
      <span class="soft text-note">
        {placing ? "Places are moved, and drawn where there is none." : "Fill it in to try it out."}
      </span>
      <Button look="underlined" class="soft ml-auto" href={source.replace(/pages\/\d+$/, "original")} download
        >The file as it was brought</Button
      >
    </div>
    <div bind:this={ground} style:min-height={`${foot}px`}>
      {#if placing}
        <PlacesOfSheet {placing} {source} />
      {:else}
        <SheetPaper sheet={it.sheet} {source} label={`${copy.view(page).name}, as it is printed`}>
          {#each places as place, i (i)}
            {#if copy.nodes.has(place.item)}
              <PlaceInPlace {place} sheet={it.sheet} first={first.has(i)} ink={inks.get(placeName(place))} />
            {/if}
          {/each}
        </SheetPaper>
      {/if}
    </div>
  {/snippet}
  {#snippet margin()}
    {#if placing}<PlacesTools {placing} />{:else}
      <div class="notes">
        {#if it.sheet.script}<ScriptNote {page} item="" script={it.sheet.script} />{/if}
        {#each notes as { key, script, top }, i (key)}
          <div
            class={["at", copy.selected === key && "open"]}
            style:top={`${copy.selected === key ? top : tops[i]}px`}
            bind:offsetHeight={heights[key]}
          >
            <Note view={copy.view(key)} named covered={copy.selected === key} />
            {#if script}<ScriptNote {page} item={key} {script} />{/if}
            {#if copy.selected === key}{#if copy.also.size}<SeveralEditor />{:else}<ItemEditor
                  {key}
                />{/if}{/if}
          </div>
        {/each}
      </div>
    {/if}
  {/snippet}
</Line>

<style>
  .notes {
    position: relative;
    margin-top: 36px;
  }

  .at {
    position: absolute;
    inset-inline: 0;
  }

  .at.open {
    z-index: 7;
  }
</style>
