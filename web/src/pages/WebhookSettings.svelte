<script lang="ts">
  import { Asking } from "../api/asking.svelte";
  import Outcome from "../ui/Outcome.svelte";
  import Button from "../ui/Button.svelte";
  import Input from "../ui/Input.svelte";
  import { request } from "../api/http";
  import type { WebhookPage } from "../api/types";
  import { session } from "../session.svelte";
  import { dayAndTime } from "../times";

  let { template }: { template: string } = $props();

  const path = $derived(`/api/templates/${template}/webhook`);
  let page = $state<WebhookPage | null>(null);
  let address = $state("");
  const asking = new Asking();
  let isFresh = $state(false);

  $effect(() => {
    if (session.value?.role === "author") void ask(() => request<WebhookPage>("GET", path), false);
  });

  const ask = (found: () => Promise<WebhookPage>, fresh: boolean) =>
    asking.run(async () => {
      page = await found();
      address = page.target.address;
      isFresh = fresh && !!page.target.secret;
    });
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
        void ask(() => request<WebhookPage>("PUT", path, { address }), true);
      }}
    >
      <Input
        class="grow"
        type="url"
        aria-label="Address"
        placeholder="https://…; empty for nowhere"
        maxlength={1000}
        bind:value={address}
      />
      <Button type="submit">Keep</Button>
    </form>
    {#if page.target.address && !isFresh}
      <p class="soft mt-2">
        The secret that signs was shown when it was made.
        <Button look="link" onclick={() => ask(() => request<WebhookPage>("POST", `${path}/secret`), true)}
          >Make a new one</Button
        >; for a day, both sign.
      </p>
    {/if}
    <Outcome {asking} class="mt-2" />
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
