<script lang="ts">
  import { said } from "../api/http";
  import Button from "../ui/light/Button.svelte";
  import type { Turn } from "./turn.svelte";

  let { turn }: { turn: Turn } = $props();

  const asked = $derived(turn.identity!);
  const isPhrase = $derived(asked.check === "phrase");
  let given = $state("");
  let wrong = $state("");
  let told = $state("");
  let busy = $state(false);

  async function attempt(work: () => Promise<void>) {
    busy = true;
    wrong = "";
    told = "";
    try {
      await work();
    } catch (problem) {
      wrong = said(problem);
    } finally {
      busy = false;
    }
  }

  const send = () =>
    attempt(async () => {
      await turn.sendCode();
      given = "";
      told = "Sent. It may take a moment to arrive.";
    });

  function give(event: Event) {
    event.preventDefault();
    void attempt(async () => {
      wrong = given.trim() ? await turn.identify(given) : `Type the ${isPhrase ? "phrase" : "code"} first.`;
      if (!wrong) scrollTo(0, 0);
    });
  }
</script>

<svelte:head><title>Show who you are</title></svelte:head>

<!-- What is asked before the document opens. It says nothing about the document or the person. -->
<main class="mx-auto max-w-[520px] px-4 py-8 sm:py-14">
  <div class="rounded-xl border bg-paper px-5 py-7 sm:px-10">
    <div class="flex items-center gap-3">
      {#if asked.organisation.hasLogo}<img src={`${turn.base}/logo`} alt="" class="max-h-9 max-w-40" />{/if}
      <span class="font-semibold">{asked.organisation.name}</span>
    </div>
    <h1 class="mt-5 text-2xl leading-tight font-semibold">Show who you are</h1>
    {#if isPhrase}
      <p class="mt-2 text-reading">
        The document opens with the phrase that you agreed with whoever sent it to you.
      </p>
    {:else if asked.isSent}
      <p class="mt-2 text-reading">
        A code of six digits was sent
        {asked.check === "textCode" ? "by text message" : "by mail"} to <b>{asked.to}</b>. It can be given for
        ten minutes.
      </p>
    {:else}
      <p class="mt-2 text-reading">
        The document opens with a code of six digits, which is sent
        {asked.check === "textCode" ? "by text message" : "by mail"} to <b>{asked.to}</b>.
      </p>
      <Button look="primary" size="large" class="mt-5 w-full sm:w-auto" disabled={busy} onclick={send}
        >Send me a code</Button
      >
    {/if}
    {#if isPhrase || asked.isSent}
      <form class="mt-5" onsubmit={give} novalidate>
        <label class="block">
          <span class="mb-1 block text-reading font-semibold">{isPhrase ? "Phrase" : "Code"}</span>
          <!-- A code is filled in by the telephone it arrived at, where that can be done. -->
          <input
            class={["text-input w-full text-base", !isPhrase && "tracking-[0.3em] tabular-nums"]}
            autocomplete={isPhrase ? "off" : "one-time-code"}
            inputmode={isPhrase ? "text" : "numeric"}
            maxlength={isPhrase ? 100 : 12}
            spellcheck="false"
            aria-describedby={wrong ? "identity-error" : undefined}
            aria-invalid={!!wrong || undefined}
            bind:value={given}
          />
        </label>
        <div class="mt-5 flex flex-wrap gap-3">
          <Button look="primary" size="large" type="submit" class="w-full sm:w-auto" disabled={busy}
            >Go on</Button
          >
          {#if !isPhrase}
            <Button size="large" class="w-full sm:w-auto" disabled={busy} onclick={send}
              >Send another code</Button
            >
          {/if}
        </div>
      </form>
    {/if}
    {#if wrong}<p id="identity-error" class="trouble mt-3" role="alert">{wrong}</p>{/if}
    <p class="soft mt-3" role="status">{told}</p>
  </div>
</main>
