<script lang="ts">
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
  let wrong = $state("");

  $effect(() => {
    // Whoever does not own it is not told.
    request<Sharing>("GET", path).then(
      (found) => (sharing = found),
      () => (sharing = null),
    );
  });

  async function take(asking: Promise<Sharing>) {
    wrong = "";
    try {
      sharing = await asking;
      name = null;
    } catch (problem) {
      wrong = problem instanceof Error ? problem.message : String(problem);
    }
  }

  const share = (shared: Sharing["shared"]) => take(request<Sharing>("PUT", path, { shared }));
  const others = $derived(
    sharing?.accounts.filter(
      (it) => it !== sharing!.owner && !sharing!.shared.some((with_) => with_.name === it),
    ) ?? [],
  );
  const isForAll = $derived(sharing?.shared.some((it) => it.name === "") ?? false);

  function give(to: string) {
    if (confirm(`Give this template to ${to}? You go on writing it; ${to} says who else may.`))
      void take(request<Sharing>("PUT", `${path}/owner`, { name: to }));
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
          <select
            class="text-input py-1"
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
          </select>
          <span class="ms-auto flex gap-3">
            {#if one.name && one.may === "write"}
              <button class="link" onclick={() => give(one.name)}
                >Give it<span class="sr-only"> to {one.name}</span></button
              >
            {/if}
            <button class="link" onclick={() => share(sharing!.shared.filter((it) => it.name !== one.name))}
              >Take away<span class="sr-only"> from {one.name || "everybody"}</span></button
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
      <select class="text-input w-56" aria-label="With whom" bind:value={name} required>
        <option value={null}>Choose somebody</option>
        {#if !isForAll}<option value="">Everybody with an account</option>{/if}
        {#each others as other (other)}<option value={other}>{other}</option>{/each}
      </select>
      <select class="text-input" aria-label="What they may do" bind:value={may}>
        {#each Object.entries(RIGHTS) as [id, words] (id)}<option value={id}>{words}</option>{/each}
      </select>
      <button class="button" disabled={name === null}>Share</button>
    </form>
    {#if wrong}<p class="trouble mt-2" role="alert">{wrong}</p>{/if}
  </section>
{/if}
