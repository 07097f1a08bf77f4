<script lang="ts">
  import Input from "../../ui/Input.svelte";
  import Select from "../../ui/Select.svelte";
  import { workingCopy } from "../context";

  const copy = workingCopy();
  const KEEP = "\nkeep";
  const CLEAR = "\nclear";
  const trials = $derived(copy.settings?.trials ?? []);
  const answered = $derived(Object.values(copy.answers).some(Boolean));
  let naming = $state(false);
  let name = $state("");

  function pick(select: HTMLSelectElement) {
    const picked = select.value;
    select.value = "";
    if (picked === KEEP) naming = true;
    else if (picked === CLEAR) void copy.clearAnswers();
    else if (picked) void copy.tryTrial(picked);
  }

  function keep(event: Event) {
    event.preventDefault();
    naming = false;
    if (name.trim()) void copy.record(name.trim());
    name = "";
  }
</script>

<!-- Sets of answers to try the document with. -->
{#if naming}
  <form onsubmit={keep}>
    <Input
      width="10rem"
      class="text-ink"
      aria-label="Name of the trial"
      placeholder="Name of the trial"
      maxlength={200}
      autofocus
      bind:value={name}
      onblur={keep}
      onkeydown={(event) => event.key === "Escape" && ((name = ""), (naming = false))}
    />
  </form>
{:else}
  <Select
    look="on spruce"
    class="max-w-32"
    aria-label="Answers to try the document with"
    title="Answers to try the document with"
    onchange={(event) => pick(event.currentTarget)}
  >
    <option value="">Answers</option>
    {#each trials as { name: trial, answers } (trial)}
      <option value={trial}>{trial} ({answers})</option>
    {/each}
    {#if answered}
      <option value={KEEP}>Keep these as a trial …</option>
      <option value={CLEAR}>Clear these</option>
    {/if}
  </Select>
{/if}
