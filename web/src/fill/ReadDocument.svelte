<script lang="ts">
  import Button from "../ui/light/Button.svelte";
  import { Asking } from "../api/asking.svelte";
  import { request } from "../api/http";
  import type { CopyPages } from "../api/types";
  import PaperPages from "../document/PaperPages.svelte";
  import type { Filling } from "./filling.svelte";

  let { filling }: { filling: Filling } = $props();

  const base = $derived(`${filling.base}/paper`);
  const asking = new Asking();
  let paper = $state<CopyPages | null>(null);

  /** As it stands with everything that was typed until now. */
  const read = () =>
    asking.run(async () => {
      await filling.allSent();
      paper = await request<CopyPages>("GET", base);
    });
</script>

<!-- The document that the answers make, to be read before it is finished or signed. -->
<section class="read" aria-label="The document">
  <div class="flex flex-wrap items-center gap-x-3 gap-y-2">
    <p class="min-w-0 grow">
      {paper
        ? "The document with your answers until now."
        : "Your answers become a document. Read it whenever you like, and before you finish."}
    </p>
    {#if paper}
      <Button onclick={() => (paper = null)}>Close</Button>
      <Button href={`${base}/pdf`} target="_blank" rel="noopener">Open as PDF</Button>
    {/if}
    <Button onclick={read} disabled={asking.busy}
      >{asking.busy ? "Setting the pages …" : paper ? "Read it anew" : "Read the document"}</Button
    >
  </div>
  {#if asking.trouble}<p class="trouble mt-2" role="alert">{asking.trouble.message}</p>{/if}
  {#if paper}<div class="mt-3"><PaperPages {base} {paper} wide /></div>{/if}
</section>

<style>
  .read {
    border-bottom: 1px solid var(--color-line);
    padding-block: 12px;
    font-size: var(--text-sheet);
  }
</style>
