<script lang="ts">
  import { Asking } from "../api/asking.svelte";
  import Outcome from "../ui/Outcome.svelte";
  import Button from "../ui/Button.svelte";
  import Checkbox from "../ui/Checkbox.svelte";
  import Input from "../ui/Input.svelte";
  import { request } from "../api/http";
  import type { OutsideService, Outside, Setting } from "../api/types";
  import { dayAndTime } from "../times";
  import TopBar from "./TopBar.svelte";

  const WATCH = 3_000;
  let outside = $state<Outside | null>(null);
  let selected = $state(0);
  const asking = new Asking();
  let sought = $state("");
  const NAMES: Record<OutsideService, [string, string]> = {
    mail: ["Mail", "takes messages to people"],
    textMessages: ["Text messages", "reach telephones"],
    payments: ["Payment desk", "takes payments"],
    directory: ["Directory", "knows registers of others"],
    authority: ["Authority", "issues certificates and seals"],
    webhooks: ["Webhooks", "tell other programs"],
  };
  const letters = $derived(
    (outside?.mail ?? []).filter(({ name, address, subject }) =>
      `${name} ${address} ${subject}`.toLowerCase().includes(sought.trim().toLowerCase()),
    ),
  );
  const letter = $derived(letters.find(({ id }) => id === selected) ?? letters[0]);

  const take = (method: string, path: string, body?: unknown) =>
    asking.run(async () => (outside = await request<Outside>(method, path, body)));

  const set = (setting: Setting) => take("PUT", "/api/outside", setting);

  void take("GET", "/api/outside");
  /** Looked at again and again, without a word: what is shown stays until something else is known. */
  const look = () =>
    request<Outside>("GET", "/api/outside").then(
      (now) => (outside = now),
      () => {},
    );
  $effect(() => {
    const watch = setInterval(() => document.hidden || void look(), WATCH);
    return () => clearInterval(watch);
  });
</script>

<svelte:head><title>Outside · Loesscape</title></svelte:head>

<TopBar title="Outside" />
<main class="px-6 py-5">
  <p class="soft">The simulated world outside: what leaves this server, and switches that make it fail.</p>
  <Outcome {asking} />
  {#if outside}
    <div class="mt-3 grid gap-3 sm:grid-cols-2 lg:grid-cols-3 2xl:grid-cols-6">
      {#each outside.services as setting (setting.service)}
        {@const [name, does] = NAMES[setting.service]}
        <fieldset class="rounded-xl border bg-paper px-4 pt-2.5 pb-3">
          <legend class="float-left mb-1.5 w-full font-semibold"
            >{name} <span class="soft font-normal">{does}</span></legend
          >
          <div class="clear-both flex flex-wrap gap-x-5 gap-y-1">
            <label class="flex items-center gap-2"
              ><Checkbox
                checked={setting.failing}
                onchange={(event) => set({ ...setting, failing: event.currentTarget.checked })}
              /> fails</label
            >
            <label class="flex items-center gap-2"
              >answers after <Input
                height="low"
                width="5rem"
                type="number"
                min="0"
                max="60000"
                step="100"
                shows={setting.delay}
                onchange={(event) => set({ ...setting, delay: event.currentTarget.valueAsNumber || 0 })}
              /> ms</label
            >
            {#if setting.service === "authority"}
              <Button
                size="low"
                title="What was sealed before stays sealed; from now on it seals with new certificates"
                onclick={() => take("POST", "/api/outside/authority/renew")}
                >Call its certificates back</Button
              >
            {/if}
          </div>
        </fieldset>
      {/each}
    </div>
    <div class="mt-5 grid min-h-[420px] gap-4 lg:grid-cols-[minmax(280px,2fr)_3fr]">
      <section class="rounded-xl border bg-paper" aria-labelledby="mailbox">
        <div class="flex items-center gap-3 border-b px-4 py-2">
          <h2 id="mailbox" class="font-semibold">Mailbox</h2>
          <Input
            height="low"
            class="min-w-0 grow"
            type="search"
            placeholder="Name, address or subject"
            aria-label="Filter the mailbox"
            bind:value={sought}
          />
        </div>
        <ul class="max-h-[520px] overflow-y-auto">
          {#each letters as it (it.id)}
            <li>
              <Button
                look="bare"
                class={["block w-full border-b px-4 py-2 text-left", letter?.id === it.id && "bg-straw"]}
                aria-current={letter?.id === it.id || undefined}
                onclick={() => (selected = it.id)}
              >
                <span class="flex gap-2"
                  ><b class="min-w-0 truncate">{it.name}</b><span class="soft ml-auto whitespace-nowrap"
                    >{it.delivered ? dayAndTime(it.delivered) : `waits, ${it.tries} tries`}</span
                  ></span
                >
                <span class="block truncate"
                  >{#if it.service === "textMessages"}<span class="soft">Text message:</span
                    >{" "}{/if}{it.subject}</span
                >
              </Button>
            </li>
          {:else}
            <li class="soft px-4 py-6 text-center">No message yet</li>
          {/each}
        </ul>
      </section>
      <section class="rounded-xl border bg-paper px-6 py-5" aria-label="Message">
        {#if letter}
          <h3 class="text-reading font-semibold">{letter.subject}</h3>
          <p class="soft mt-1">to {letter.name} &lt;{letter.address}&gt;, {dayAndTime(letter.made)}</p>
          <p class="mt-4 font-margin text-reading whitespace-pre-wrap">{letter.body}</p>
          {#if letter.code && letter.delivered}<p
              class="mt-4 text-xl font-semibold tracking-[0.2em] tabular-nums"
            >
              {letter.code}
            </p>{/if}
          {#if letter.path && letter.delivered}
            <Button look="primary" class="mt-4" href={letter.path} target="_blank" rel="noopener"
              >Open the link</Button
            >
          {/if}
        {/if}
      </section>
    </div>
    <section class="mt-5 rounded-xl border bg-paper px-5 py-4" aria-labelledby="passed">
      <h2 id="passed" class="font-semibold">What passed</h2>
      <ul class="mt-2">
        {#each outside.passed.slice(0, 50) as it, i (i)}
          <li class="flex gap-3 py-0.5">
            <span class="soft whitespace-nowrap">{dayAndTime(it.at)}</span>
            <span class="w-24">{NAMES[it.service][0]}</span>
            <span class={["min-w-0 truncate", it.failed && "text-clay"]}
              >{it.failed ? "Failed: " : ""}{it.what}</span
            >
          </li>
        {:else}
          <li class="soft">Nothing yet</li>
        {/each}
      </ul>
    </section>
  {/if}
</main>
