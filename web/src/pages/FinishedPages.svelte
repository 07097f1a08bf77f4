<script lang="ts">
  import Button from "../ui/Button.svelte";
  import Outcome from "../ui/Outcome.svelte";
  import { Asking } from "../api/asking.svelte";
  import { request } from "../api/http";
  import type { PreviewPages } from "../api/types";

  let { template }: { template: string } = $props();

  /** How often it is asked whether answers, words or paper have changed in another window. */
  const EVERY = 4000;
  const base = $derived(`/api/templates/${template}/draft/paper`);
  const asking = new Asking();
  let paper = $state<PreviewPages | null>(null);
  const numbers = $derived(Array.from({ length: paper?.pages ?? 0 }, (_, i) => i + 1));

  async function look() {
    const now = await request<PreviewPages>("GET", base);
    if (now.version !== paper?.version) paper = now;
  }

  $effect(() => {
    void asking.run(look);
    const often = setInterval(() => {
      // What fails now is tried again of itself; what is shown stays.
      if (document.visibilityState === "visible") void look().catch(() => undefined);
    }, EVERY);
    return () => clearInterval(often);
  });
</script>

<!-- What the answers tried out in the Draft view would become on paper. -->
<section class="rounded-xl border bg-paper px-6 py-5" aria-labelledby="finished-document">
  <div class="flex flex-wrap items-baseline gap-3">
    <h2 id="finished-document" class="text-reading font-semibold">The finished document</h2>
    {#if paper}<span class="soft">{paper.pages === 1 ? "1 page" : `${paper.pages} pages`}</span>{/if}
    <Button class="ml-auto" href={`${base}/pdf`} target="_blank" rel="noopener">Open as PDF</Button>
  </div>
  <p class="soft mt-1">
    As it would be with the answers you try out in Draft, on the paper of your organisation.
  </p>
  <Outcome {asking} class="mt-2" />
  {#if paper}
    <ol class="mt-4 grid list-none gap-4 sm:grid-cols-2">
      {#each numbers as number (number)}
        <li>
          <img
            class="w-full rounded-sm border bg-white"
            src={`${base}/pages/${number}?${paper.version}`}
            alt={`Page ${number} of ${paper.pages}`}
            loading="lazy"
          />
        </li>
      {/each}
    </ol>
  {:else if asking.busy}
    <p class="soft mt-4">The pages are being set…</p>
  {/if}
</section>
