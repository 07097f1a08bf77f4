<script lang="ts">
  import Button from "../ui/Button.svelte";
  import Outcome from "../ui/Outcome.svelte";
  import { Asking } from "../api/asking.svelte";
  import { request } from "../api/http";
  import type { CopyPages } from "../api/types";
  import PaperPages from "../document/PaperPages.svelte";

  let { template }: { template: string } = $props();

  /** How often it is asked whether answers, words or paper have changed in another window. */
  const EVERY = 4000;
  const base = $derived(`/api/templates/${template}/draft/paper`);
  const asking = new Asking();
  let paper = $state<CopyPages | null>(null);

  async function look() {
    const now = await request<CopyPages>("GET", base);
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
    <div class="mt-4"><PaperPages {base} {paper} /></div>
  {:else if asking.busy}
    <p class="soft mt-4">The pages are being set…</p>
  {/if}
</section>
