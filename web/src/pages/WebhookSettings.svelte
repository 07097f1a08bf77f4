<script lang="ts">
  import { request } from "../api/http";
  import type { WebhookPage } from "../api/types";
  import { session } from "../session.svelte";
  import { dayAndTime } from "../times";

  let { template }: { template: string } = $props();

  const path = $derived(`/api/templates/${template}/webhook`);
  let page = $state<WebhookPage | null>(null);
  let address = $state("");
  let wrong = $state("");
  let isFresh = $state(false);

  $effect(() => {
    if (session.value?.role === "author") void ask(request<WebhookPage>("GET", path), false);
  });

  async function ask(asking: Promise<WebhookPage>, fresh: boolean) {
    wrong = "";
    try {
      page = await asking;
      address = page.target.address;
      isFresh = fresh && !!page.target.secret;
    } catch (problem) {
      wrong = problem instanceof Error ? problem.message : String(problem);
    }
  }
</script>

<!-- Where the ends of dispatches are told. -->
{#if page}
  <section class="rounded-xl border bg-paper px-6 py-5" aria-labelledby="webhook">
    <h2 id="webhook" class="font-semibold">Tell another program how dispatches end</h2>
    <p class="soft mt-1">
      Finished, declined and withdrawn are sent as JSON to this address, signed with a secret, and again until
      they are taken.
    </p>
    <form
      class="mt-3 flex gap-2"
      onsubmit={(event) => {
        event.preventDefault();
        void ask(request<WebhookPage>("PUT", path, { address }), true);
      }}
    >
      <input
        class="text-input grow"
        type="url"
        aria-label="Address"
        placeholder="https://…; empty for nowhere"
        maxlength="1000"
        bind:value={address}
      />
      <button class="button">Keep</button>
    </form>
    {#if page.target.address && !isFresh}
      <p class="soft mt-2">
        The secret that signs was shown when it was made.
        <button class="link" onclick={() => ask(request<WebhookPage>("POST", `${path}/secret`), true)}
          >Make a new one</button
        >; for a day, both sign.
      </p>
    {/if}
    {#if wrong}<p class="trouble mt-2" role="alert">{wrong}</p>{/if}
    {#if isFresh}
      <p class="mt-2" role="status">
        The secret that signs, HMAC-SHA256 over the time, a point and the body: <span class="key"
          >{page.target.secret}</span
        >
      </p>
    {/if}
    {#if page.deliveries.length}
      <ul class="mt-3 border-t pt-2">
        {#each page.deliveries as it, i (i)}
          <li class="flex flex-wrap gap-x-3 py-1">
            <b>{it.event}</b>
            <span class="soft">{dayAndTime(it.made)}</span>
            <span
              >{it.delivered ? `taken ${dayAndTime(it.delivered)}` : it.next ? "waits" : "given up"} after {it.tries}
              {it.tries === 1 ? "try" : "tries"}</span
            >
            <span class="soft truncate" title={it.digest && `SHA-256 of the answer: ${it.digest}`}
              >{it.status === null ? it.answer : `answered ${it.status}`}</span
            >
          </li>
        {/each}
      </ul>
    {/if}
  </section>
{/if}
