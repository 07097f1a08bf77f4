<script lang="ts">
  import { request } from "../api/http";
  import type { AccountList, AccountRole } from "../api/types";
  import { session } from "../session.svelte";

  let list = $state<AccountList | null>(null);
  let name = $state("");
  let password = $state("");
  let role = $state<AccountRole>("sender");
  let wrong = $state("");
  const isAuthor = $derived(session.value?.role === "author");
  const ROLES: Record<AccountRole, string> = {
    author: "author: writes, releases, sends",
    sender: "sender: sends, looks after dispatches",
    reader: "reader: looks at dispatches and records",
  };

  $effect(() => {
    if (isAuthor) void take(request<AccountList>("GET", "/api/accounts"));
  });

  async function take(asking: Promise<AccountList>): Promise<boolean> {
    wrong = "";
    try {
      list = await asking;
      return true;
    } catch (problem) {
      wrong = problem instanceof Error ? problem.message : String(problem);
      return false;
    }
  }

  async function add(event: Event) {
    event.preventDefault();
    if (await take(request<AccountList>("POST", "/api/accounts", { name, password, role })))
      name = password = "";
  }
</script>

<!-- Who works here, and what each may do. -->
{#if isAuthor && list}
  <section class="mt-6 rounded-xl border bg-paper px-5 py-4" aria-labelledby="accounts">
    <h2 id="accounts" class="font-semibold">Accounts</h2>
    <ul class="mt-2">
      {#each list.accounts as account (account.name)}
        <li class="flex gap-3 py-0.5"><b class="w-48 truncate">{account.name}</b>{ROLES[account.role]}</li>
      {/each}
    </ul>
    <form class="mt-3 flex flex-wrap items-end gap-3" onsubmit={add}>
      <label class="grid w-48 gap-1"
        >Sign-in name<input class="text-input" maxlength="100" autocomplete="off" bind:value={name} /></label
      >
      <label class="grid w-48 gap-1"
        >Password<input
          class="text-input"
          type="password"
          autocomplete="new-password"
          bind:value={password}
        /></label
      >
      <label class="grid gap-1"
        >May do
        <select class="text-input" bind:value={role}>
          {#each Object.entries(ROLES) as [id, words] (id)}<option value={id}>{words}</option>{/each}
        </select>
      </label>
      <button class="button">Add an account</button>
    </form>
    {#if wrong}<p class="trouble mt-2" role="alert">{wrong}</p>{/if}
  </section>
{/if}
