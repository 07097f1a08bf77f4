<script lang="ts">
  import { said } from "../api/http";
  import Button from "../ui/light/Button.svelte";
  import { day } from "../times";
  import OtherWays from "./OtherWays.svelte";
  import Parties from "./Parties.svelte";
  import type { Turn } from "./turn.svelte";

  let { turn }: { turn: Turn } = $props();

  const about = $derived(turn.about!);
  const organisation = $derived(turn.sheet!.organisation);
  let agrees = $state(false);
  let wrong = $state("");

  async function go(event: Event) {
    event.preventDefault();
    wrong = "";
    if (!agrees) {
      wrong = "Tick the box first; without it you cannot sign here.";
      document.getElementById("agrees")?.focus();
      return;
    }
    try {
      await turn.consent();
      scrollTo(0, 0);
    } catch (problem) {
      wrong = said(problem);
    }
  }
</script>

<main class="mx-auto max-w-[620px] px-4 py-8 sm:py-14">
  <div class="rounded-xl border bg-paper px-5 py-7 sm:px-10">
    <div class="flex items-center gap-3">
      {#if organisation.hasLogo}<img src={`${turn.base}/logo`} alt="" class="max-h-9 max-w-40" />{/if}
      <span class="font-semibold">{organisation.name}</span>
    </div>
    <h1 class="mt-5 text-2xl leading-tight font-semibold">{turn.sheet!.title}</h1>
    <p class="mt-2 text-reading">Dear {about.name}, you are asked to fill in and sign this document.</p>
    {#if about.message}<p class="mt-3 border-s-2 ps-3 text-reading whitespace-pre-wrap">
        {about.message}
      </p>{/if}
    {#if about.due}<p class="mt-3 text-reading">Please do so by <b>{day(about.due)}</b>.</p>{/if}
    <Parties {about} />
    <form class="mt-5" onsubmit={go} novalidate>
      <label class="flex items-start gap-3 text-reading">
        <input
          id="agrees"
          type="checkbox"
          class="mt-0.5 size-5 shrink-0"
          bind:checked={agrees}
          aria-describedby={wrong ? "agrees-error" : undefined}
          aria-invalid={!!wrong || undefined}
        />
        <span>{about.consent}</span>
      </label>
      {#if wrong}<p id="agrees-error" class="trouble mt-2" role="alert">{wrong}</p>{/if}
      <Button look="primary" size="large" type="submit" class="mt-5 w-full sm:w-auto"
        >Open the document</Button
      >
    </form>
  </div>
  <OtherWays {turn} />
</main>
