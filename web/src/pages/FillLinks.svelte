<script lang="ts">
  import { confirming } from "../ui/confirming.svelte";
  import { Asking } from "../api/asking.svelte";
  import Outcome from "../ui/Outcome.svelte";
  import Button from "../ui/Button.svelte";
  import Input from "../ui/Input.svelte";
  import { request } from "../api/http";
  import type { FillLink, FillLinkList } from "../api/types";
  import { dayAndTime } from "../times";

  let { template, made }: { template: string; made: unknown } = $props();

  const path = $derived(`/api/templates/${template}/links`);
  let links = $state<FillLink[]>([]);
  let changing = $state<number | null>(null);
  let opens = $state("");
  let closes = $state("");
  const asking = new Asking();

  $effect(() => {
    void made;
    void take("GET", path);
  });

  const take = (method: string, path: string, body?: unknown) =>
    asking.run(async () => {
      links = (await request<FillLinkList>(method, path, body)).links;
      changing = null;
    });

  /** A moment as the control for it takes it, by the clock of this browser; and back. */
  const local = (instant: string | null) =>
    instant
      ? new Date(new Date(instant).getTime() - new Date(instant).getTimezoneOffset() * 60_000)
          .toISOString()
          .slice(0, 16)
      : "";
  const instant = (text: string) => (text ? new Date(text).toISOString() : null);

  function change(link: FillLink) {
    changing = link.id;
    opens = local(link.opening.opens);
    closes = local(link.opening.closes);
  }

  async function end(link: FillLink) {
    const really = await confirming.ask({
      question: "End this link for good?",
      means: "Nobody can begin or go on through it. What was finished stays.",
      does: "End the link",
    });
    if (really) await take("POST", `${path}/${link.id}/end`);
  }

  function standing({ ended, opening }: FillLink): string {
    const now = Date.now();
    if (ended) return `ended ${dayAndTime(ended)}`;
    if (opening.closes && new Date(opening.closes).getTime() <= now)
      return `closed ${dayAndTime(opening.closes)}`;
    if (opening.opens && new Date(opening.opens).getTime() > now) return `opens ${dayAndTime(opening.opens)}`;
    return opening.closes ? `open until ${dayAndTime(opening.closes)}` : "open";
  }
</script>

<!-- The links to fill in: when they open and close, and that they end. -->
{#if links.length}
  <section class="rounded-xl border bg-paper px-6 py-5" aria-labelledby="links">
    <h2 id="links" class="font-semibold">Links</h2>
    <ul class="mt-2">
      {#each links as link (link.id)}
        <li class="border-t py-2 first:border-0">
          <div class="flex flex-wrap items-center gap-x-4 gap-y-1">
            <span>Release {link.release}, made {dayAndTime(link.made)}</span>
            <b class={[link.ended && "soft"]}>{standing(link)}</b>
            <span class="soft">{link.begun} begun, {link.finished} finished</span>
            {#if !link.ended}
              <span class="ms-auto flex gap-3">
                <Button look="link" onclick={() => change(link)}
                  >Times<span class="sr-only"> of the link made {dayAndTime(link.made)}</span></Button
                >
                <Button look="grave link" onclick={() => end(link)}
                  >End<span class="sr-only"> the link made {dayAndTime(link.made)}</span></Button
                >
              </span>
            {/if}
          </div>
          {#if changing === link.id}
            <form
              class="mt-2 flex flex-wrap items-end gap-3"
              onsubmit={(event) => {
                event.preventDefault();
                void take("PUT", `${path}/${link.id}`, { opens: instant(opens), closes: instant(closes) });
              }}
            >
              <label class="grid gap-1">Opens<Input type="datetime-local" bind:value={opens} /></label>
              <label class="grid gap-1">Closes<Input type="datetime-local" bind:value={closes} /></label>
              <Button type="submit">Keep</Button>
              <Button onclick={() => (changing = null)}>Leave it</Button>
              <span class="soft">Empty: at once, and for good.</span>
            </form>
          {/if}
        </li>
      {/each}
    </ul>
    <Outcome {asking} class="mt-2" />
  </section>
{/if}
