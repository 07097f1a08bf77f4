<script lang="ts">
  import Alert from "../ui/Alert.svelte";
  import { confirming } from "../ui/confirming.svelte";
  import { Asking } from "../api/asking.svelte";
  import Outcome from "../ui/Outcome.svelte";
  import Button from "../ui/Button.svelte";
  import Input from "../ui/Input.svelte";
  import Select from "../ui/Select.svelte";
  import { request } from "../api/http";
  import type { AccountList, AccountRole, ResetMade } from "../api/types";
  import { session } from "../session.svelte";

  let list = $state<AccountList | null>(null);
  let name = $state("");
  let password = $state("");
  let role = $state<AccountRole>("sender");
  const asking = new Asking();
  const isAuthor = $derived(session.value?.role === "author");
  const ROLES: Record<AccountRole, string> = {
    author: "author: writes, releases, sends",
    sender: "sender: sends, looks after dispatches",
    reader: "reader: looks at dispatches and records",
  };

  $effect(() => {
    if (isAuthor) void take("GET", "/api/accounts");
  });

  const take = (method: string, path: string, body?: unknown) =>
    asking.run(async () => (list = await request<AccountList>(method, path, body)));

  let reset = $state<{ name: string; address: string } | null>(null);

  const path = (account: { id: number }) => `/api/accounts/${account.id}`;
  const isOwn = (account: { name: string }) => account.name === session.value?.author;

  const makeLink = (account: { id: number; name: string }) =>
    asking.run(async () => {
      const made = await request<ResetMade>("POST", `${path(account)}/reset`);
      reset = { name: account.name, address: location.origin + made.path };
    });

  async function remove(account: { id: number; name: string }) {
    const really = await confirming.ask({
      question: `Remove the account of ${account.name}?`,
      means: "They can sign in no more. Their templates and dispatches become yours.",
      does: "Remove the account",
    });
    if (really) await take("DELETE", path(account));
  }

  async function add(event: Event) {
    event.preventDefault();
    if (await take("POST", "/api/accounts", { name, password, role })) name = password = "";
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
          <Select
            aria-label={`What ${account.name} may do`}
            value={account.role}
            onchange={(event) => take("PUT", `${path(account)}/role`, { role: event.currentTarget.value })}
          >
            {#each Object.entries(ROLES) as [id, words] (id)}<option value={id}>{words}</option>{/each}
          </Select>
          {#if isOwn(account)}<span class="soft">you</span>{:else}
            <span class="ms-auto flex gap-3">
              <Button look="link" onclick={() => makeLink(account)}
                >New password<span class="sr-only"> for {account.name}</span></Button
              >
              <Button look="link" onclick={() => take("POST", `${path(account)}/end-sessions`)}
                >Sign out<span class="sr-only"> {account.name}</span></Button
              >
              <Button look="grave link" onclick={() => remove(account)}
                >Remove<span class="sr-only"> {account.name}</span></Button
              >
            </span>
          {/if}
        </li>
      {/each}
    </ul>
    {#if reset}
      <Alert look="note" class="mt-3">
        <p>With this link {reset.name} sets a new password, once and within a day. It is shown only now.</p>
        <Input
          width="100%"
          class="key mt-2"
          readonly
          shows={reset.address}
          aria-label="Link for a new password"
          onfocus={(event) => event.currentTarget.select()}
        />
      </Alert>
    {/if}
    <form class="mt-3 flex flex-wrap items-end gap-3" onsubmit={add}>
      <label class="grid w-48 gap-1"
        >Sign-in name<Input maxlength={100} autocomplete="off" bind:value={name} /></label
      >
      <label class="grid w-48 gap-1"
        >Password<Input type="password" autocomplete="new-password" bind:value={password} /></label
      >
      <label class="grid gap-1"
        >May do
        <Select bind:value={role}>
          {#each Object.entries(ROLES) as [id, words] (id)}<option value={id}>{words}</option>{/each}
        </Select>
      </label>
      <Button type="submit">Add an account</Button>
    </form>
    <Outcome {asking} class="mt-2" />
  </section>
{/if}
