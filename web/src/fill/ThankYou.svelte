<script lang="ts">
  import Button from "../ui/light/Button.svelte";
  import type { Filling } from "./filling.svelte";

  let { filling, record }: { filling: Filling; record: number } = $props();

  let heading: HTMLElement;
  $effect(() => heading.focus());
</script>

<main class="mx-auto max-w-[620px] px-4 py-10 sm:py-16">
  <div class="rounded-xl border bg-paper px-6 py-9 sm:px-10">
    <h1 bind:this={heading} tabindex="-1" class="text-2xl font-semibold outline-none">Thank you</h1>
    <p class="mt-3 text-reading">
      {filling.sheet?.title} is finished. Your answers have arrived as record {record}, and can no longer be
      changed.
    </p>
    <div class="mt-6 flex flex-wrap gap-3">
      <Button look="primary" size="large" href={`/api/fill/${filling.link}/record.pdf`} download>
        Download your copy as PDF
      </Button>
      <Button size="large" onclick={() => filling.again()}>Fill in another</Button>
    </div>
  </div>
</main>
