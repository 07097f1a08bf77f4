<script lang="ts">
  import { request } from "../api/http";
  import type { AccountList, AccountRole, ResetMade } from "../api/types";
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

  let reset = $state<{ name: string; address: string } | null>(null);

  const path = (account: { id: number }) => `/api/accounts/${account.id}`;
  const isOwn = (account: { name: string }) => account.name === session.value?.author;

  async function makeLink(account: { id: number; name: string }) {
    wrong = "";
    try {
      const made = await request<ResetMade>("POST", `${path(account)}/reset`);
      reset = { name: account.name, address: location.origin + made.path };
    } catch (problem) {
      wrong = problem instanceof Error ? problem.message : String(problem);
    }
  }

  async function remove(account: { id: number; name: string }) {
    if (confirm(`Remove the account of ${account.name}? Their templates and dispatches become yours.`))
      await take(request<AccountList>("DELETE", path(account)));
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
      {#each list.accounts as account (account.id)}
        <li class="flex flex-wrap items-center gap-3 py-1">
          <b class="w-48 truncate">{account.name}</b>
          <select
            class="text-input py-1"
            aria-label={`What ${account.name} may do`}
            value={account.role}
            onchange={(event) =>
              take(request<AccountList>("PUT", `${path(account)}/role`, { role: event.currentTarget.value }))}
          >
            {#each Object.entries(ROLES) as [id, words] (id)}<option value={id}>{words}</option>{/each}
          </select>
          {#if isOwn(account)}<span class="soft">you</span>{:else}
            <span class="ms-auto flex gap-3">
              <button class="link" onclick={() => makeLink(account)}
                >New password<span class="sr-only"> for {account.name}</span></button
              >
              <button
                class="link"
                onclick={() => take(request<AccountList>("POST", `${path(account)}/end-sessions`))}
                >Sign out<span class="sr-only"> {account.name}</span></button
              >
              <button class="link text-clay" onclick={() => remove(account)}
                >Remove<span class="sr-only"> {account.name}</span></button
              >
            </span>
          {/if}
        </li>
      {/each}
    </ul>
    {#if reset}
      <div class="mt-3 rounded-md border border-gold-deep bg-straw px-4 py-3" role="status">
        <p>With this link {reset.name} sets a new password, once and within a day. It is shown only now.</p>
        <input
          class="text-input key mt-2 w-full"
          readonly
          value={reset.address}
          aria-label="Link for a new password"
          onfocus={(event) => event.currentTarget.select()}
        />
      </div>
    {/if}
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
