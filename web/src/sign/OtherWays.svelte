<script lang="ts">
  import { said } from "../api/http";
  import Button from "../ui/light/Button.svelte";
  import type { Turn } from "./turn.svelte";

  let { turn }: { turn: Turn } = $props();

  let way = $state<"" | "decline" | "hand on">("");
  let because = $state("");
  let name = $state("");
  let address = $state("");
  let phone = $state("");
  let wrong = $state("");
  let first = $state<HTMLElement>();

  $effect(() => {
    if (way) first?.focus();
  });

  async function go(event: Event) {
    event.preventDefault();
    wrong = "";
    try {
      if (way === "decline") await turn.decline(because);
      else await turn.handOn({ name, address, phone }, because);
    } catch (problem) {
      wrong = said(problem);
    }
  }
</script>

<!-- What else can be done instead of signing. -->
<aside class="not-printed mx-auto max-w-[620px] px-4 pt-2 pb-32 text-sheet" aria-label="Other ways">
  {#if !way}
    <div class="flex flex-wrap gap-x-5 gap-y-2">
      {#if turn.about!.mayDelegate && turn.about!.check !== "phrase"}
        <Button look="underlined" size="tall" onclick={() => (way = "hand on")}
          >Somebody else should sign</Button
        >
      {/if}
      <Button look="underlined" size="tall" onclick={() => (way = "decline")}>I will not sign</Button>
    </div>
  {:else}
    <form class="rounded-xl border bg-paper p-5" onsubmit={go}>
      <h2 class="text-base font-semibold">
        {way === "decline" ? "Decline to sign" : "Hand this on to somebody else"}
      </h2>
      {#if way === "hand on"}
        <label class="mt-3 block">
          <span class="mb-1 block font-semibold">Name</span>
          <input
            class="text-input w-full"
            bind:this={first}
            bind:value={name}
            autocomplete="off"
            maxlength="200"
          />
        </label>
        <label class="mt-3 block">
          <span class="mb-1 block font-semibold">E-mail</span>
          <input
            class="text-input w-full"
            type="email"
            bind:value={address}
            autocomplete="off"
            maxlength="250"
          />
        </label>
        {#if turn.about!.check === "textCode"}
          <label class="mt-3 block">
            <span class="mb-1 block font-semibold">Telephone, with + and the code of its country</span>
            <input
              class="text-input w-full"
              type="tel"
              bind:value={phone}
              autocomplete="off"
              maxlength="40"
            />
          </label>
        {/if}
        <label class="mt-3 block">
          <span class="mb-1 block font-semibold">Why?</span>
          <textarea class="text-input w-full" rows="2" bind:value={because} maxlength="1000"></textarea>
        </label>
      {:else}
        <p class="mt-1">This ends it for everybody. The sender and the others are told.</p>
        <label class="mt-3 block">
          <span class="mb-1 block font-semibold">Why?</span>
          <textarea class="text-input w-full" rows="3" bind:this={first} bind:value={because} maxlength="1000"
          ></textarea>
        </label>
      {/if}
      {#if wrong}<p class="trouble mt-2" role="alert">{wrong}</p>{/if}
      <div class="mt-4 flex gap-3">
        <Button look="primary" size="large" type="submit">{way === "decline" ? "Decline" : "Hand on"}</Button>
        <Button size="large" onclick={() => (way = "")}>Back</Button>
      </div>
    </form>
  {/if}
</aside>
