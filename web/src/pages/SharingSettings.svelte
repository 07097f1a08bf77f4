<script lang="ts">
  import { confirming } from "../ui/confirming.svelte";
  import { Asking } from "../api/asking.svelte";
  import Outcome from "../ui/Outcome.svelte";
  import Button from "../ui/Button.svelte";
  import Select from "../ui/Select.svelte";
  import { request } from "../api/http";
  import type { Right, Sharing } from "../api/types";
  import { session } from "../session.svelte";

  let { template }: { template: string } = $props();

  const path = $derived(`/api/templates/${template}/access`);
  const RIGHTS: Partial<Record<Right, string>> = {
    see: "sees what comes in",
    send: "sends it, too",
    write: "writes and releases it, too",
  };
  let sharing = $state<Sharing | null>(null);
  let name = $state<string | null>(null);
  let may = $state<Right>("see");
  const asking = new Asking();

  $effect(() => {
    // Whoever does not own it is not told.
    request<Sharing>("GET", path).then(
      (found) => (sharing = found),
      () => (sharing = null),
    );
  });

  const take = (path: string, body: unknown) =>
    asking.run(async () => {
      sharing = await request<Sharing>("PUT", path, body);
      name = null;
    });

  const share = (shared: Sharing["shared"]) => take(path, { shared });
  const others = $derived(
    sharing?.accounts.filter(
      (it) => it !== sharing!.owner && !sharing!.shared.some((with_) => with_.name === it),
    ) ?? [],
  );
  const isForAll = $derived(sharing?.shared.some((it) => it.name === "") ?? false);

  async function give(to: string) {
    const really = await confirming.ask({
      question: `Give this template to ${to}?`,
      means: `You go on writing it; ${to} says who else may.`,
      does: "Give it away",
    });
    if (really) await take(`${path}/owner`, { name: to });
  }
</script>

<!-- With whom a template is shared; its owner's to say. -->
{#if sharing}
  <section class="rounded-xl border bg-paper px-6 py-5" aria-labelledby="sharing">
    <h2 id="sharing" class="font-semibold">Shared with</h2>
    <p class="soft mt-1">
      It belongs to {sharing.owner === session.value?.author ? "you" : sharing.owner}. Nobody else sees it, or
      what comes in, but those named here, and each as far as the account allows.
    </p>
    <ul class="mt-2">
      {#each sharing.shared as one (one.name)}
        <li class="flex flex-wrap items-center gap-3 py-1">
          <b class="w-48 truncate">{one.name || "Everybody with an account"}</b>
          <Select
            aria-label={`What ${one.name || "everybody"} may do`}
            value={one.may}
            onchange={(event) =>
              share(
                sharing!.shared.map((it) =>
                  it.name === one.name ? { ...it, may: event.currentTarget.value as Right } : it,
                ),
              )}
          >
            {#each Object.entries(RIGHTS) as [id, words] (id)}<option value={id}>{words}</option>{/each}
          </Select>
          <span class="ms-auto flex gap-3">
            {#if one.name && one.may === "write"}
              <Button look="link" onclick={() => give(one.name)}
                >Give it<span class="sr-only"> to {one.name}</span></Button
              >
            {/if}
            <Button look="link" onclick={() => share(sharing!.shared.filter((it) => it.name !== one.name))}
              >Take away<span class="sr-only"> from {one.name || "everybody"}</span></Button
            >
          </span>
        </li>
      {:else}
        <li class="soft py-1">Nobody.</li>
      {/each}
    </ul>
    <form
      class="mt-3 flex flex-wrap gap-3"
      onsubmit={(event) => {
        event.preventDefault();
        if (name !== null) void share([...sharing!.shared, { name, may }]);
      }}
    >
      <Select class="w-56" aria-label="With whom" bind:value={name} required>
        <option value={null}>Choose somebody</option>
        {#if !isForAll}<option value="">Everybody with an account</option>{/if}
        {#each others as other (other)}<option value={other}>{other}</option>{/each}
      </Select>
      <Select aria-label="What they may do" bind:value={may}>
        {#each Object.entries(RIGHTS) as [id, words] (id)}<option value={id}>{words}</option>{/each}
      </Select>
      <Button type="submit" disabled={name === null}>Share</Button>
    </form>
    <Outcome {asking} class="mt-2" />
  </section>
{/if}
