<script lang="ts">
  import Button from "../ui/Button.svelte";
  import Outcome from "../ui/Outcome.svelte";
  import { Asking } from "../api/asking.svelte";
  import { request } from "../api/http";
  import type { FormAbout } from "../api/types";

  let { template, release }: { template: string; release: number } = $props();

  const base = $derived(`/api/templates/${template}/releases/${release}`);
  const asking = new Asking();
  let about = $state<FormAbout | null>(null);

  $effect(() => {
    const path = `${base}/form.json`;
    void asking.run(async () => {
      about = await request<FormAbout>("GET", path);
    });
  });
</script>

<!-- Files that are filled in where there is no connection. -->
<section class="rounded-xl border bg-paper px-6 py-5" aria-labelledby="forms-out">
  <h2 id="forms-out" class="text-reading font-semibold">To be filled in elsewhere</h2>
  <p class="soft mt-1">
    Files of release {release}, for those who fill in without a connection. Whoever has one can read its
    conditions, and the questions of all roles.
  </p>
  <Outcome {asking} class="mt-2" />
  <div class="mt-4 grid gap-5 sm:grid-cols-2">
    <div>
      <div class="flex items-center gap-3">
        <h3 class="font-semibold">PDF form</h3>
        <Button class="ml-auto" href={`${base}/form.pdf`} download>Save PDF form</Button>
      </div>
      <p class="soft mt-1">
        Shows, asks, locks and works out by the same conditions, in readers that run the scripts of forms. Its
        last line says what is still needed.
      </p>
      {#if about?.leftOut.length}
        <details class="mt-2">
          <summary class="link cursor-pointer"
            >{about.leftOut.length === 1
              ? "One thing its script does not do"
              : `${about.leftOut.length} things its script does not do`}</summary
          >
          <ul class="mt-2 list-disc ps-5">
            {#each about.leftOut as { key, sentence } (key + sentence)}<li>{sentence}</li>{/each}
          </ul>
        </details>
      {:else if about}
        <p class="mt-2">Its script does all that this document does.</p>
      {/if}
    </div>
    <div>
      <div class="flex items-center gap-3">
        <h3 class="font-semibold">Word processor</h3>
        <Button class="ml-auto" href={`${base}/form.docx`} download>Save DOCX form</Button>
      </div>
      <p class="soft mt-1">
        Locked but for what is to be filled in. It has no logic: all questions stand there, each with what it
        follows in words.
      </p>
    </div>
  </div>
</section>
