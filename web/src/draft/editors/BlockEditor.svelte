<script lang="ts">
  import Button from "../../ui/Button.svelte";
  import Checkbox from "../../ui/Checkbox.svelte";
  import { request } from "../../api/http";
  import type { BlockDifferences, Difference, Section } from "../../api/types";
  import { workingCopy } from "../context";
  import EditorLine from "./EditorLine.svelte";

  let { section }: { section: Section } = $props();

  const copy = workingCopy();
  const key = $derived(section.key);
  const origin = $derived(section.origin);
  const block = $derived(copy.blocks.find(({ id }) => id === origin?.block));
  const isOld = $derived(!!block && !!origin && block.version > origin.version);
  let differences = $state<Difference[] | null>(null);
  let taken = $state<string[]>([]);
  const TURN = { new: "new", otherwise: "otherwise", gone: "gone" };

  /** What was changed here since is not taken over unless its author says so. */
  async function look() {
    const told = await request<BlockDifferences>(
      "GET",
      `/api/templates/${copy.template}/draft/blocks/${encodeURIComponent(key)}`,
    );
    differences = told.differences;
    taken = told.differences.filter(({ own }) => !own).map(({ item }) => item);
  }

  const keep = () => copy.withBlock("", { section: key, name: "" });

  async function takeOver() {
    const items = [...taken];
    if (await copy.withBlock(`/${encodeURIComponent(key)}`, { items })) differences = null;
  }

  const swap = (item: string) =>
    (taken = taken.includes(item) ? taken.filter((it) => it !== item) : [...taken, item]);
</script>

<EditorLine title="Block" wide={differences !== null}>
  {#if block && origin}
    “{block.name}”, version {origin.version}
    <Button look="token" onclick={keep}>keep as version {block.version + 1}</Button>
    {#if isOld && differences === null}
      <Button look="token" onclick={look}>what is new in version {block.version}?</Button>
    {/if}
  {:else}
    <Button look="token" onclick={keep}>keep in my library</Button>
  {/if}
  {#if differences}
    <ul class="mt-1">
      {#each differences as it (it.item)}
        <li class="mb-1.5">
          <label class="flex items-start gap-1.5"
            ><Checkbox class="mt-0.5" checked={taken.includes(it.item)} onchange={() => swap(it.item)} /><span
              ><b>{it.name}</b>
              <span class="soft">is {TURN[it.turn]}{it.own ? "; changed here too" : ""}</span></span
            ></label
          >
          <div class="ps-5 font-margin text-chrome">
            {#each it.here.filter((words) => !it.there.includes(words)) as words (words)}
              <p class="soft"><span class="key">here</span> {words}</p>
            {/each}
            {#each it.there.filter((words) => !it.here.includes(words)) as words (words)}
              <p><span class="key">block</span> {words}</p>
            {/each}
          </div>
        </li>
      {:else}
        <li class="soft">Nothing that is not here already.</li>
      {/each}
    </ul>
    <Button look="token" onclick={takeOver}>{taken.length ? "Take these over" : "Take nothing over"}</Button>
    <Button look="token" onclick={() => (differences = null)}>Later</Button>
  {/if}
</EditorLine>
