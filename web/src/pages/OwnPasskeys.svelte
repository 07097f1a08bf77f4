<script lang="ts">
  import TableHead from "../ui/TableHead.svelte";
  import Table from "../ui/Table.svelte";
  import { Asking } from "../api/asking.svelte";
  import Outcome from "../ui/Outcome.svelte";
  import Button from "../ui/Button.svelte";
  import Input from "../ui/Input.svelte";
  import { onMount } from "svelte";
  import type { PasskeyRow } from "../api/types";
  import * as passkeys from "../passkeys";
  import { dayAndTime } from "../times";

  /** The passkeys of whoever is signed in. */

  const possible = passkeys.arePossible();
  let rows = $state<PasskeyRow[]>([]);
  let label = $state("");
  let password = $state("");
  let adding = $state(false);
  const asking = new Asking();

  onMount(() => void asking.run(async () => (rows = (await passkeys.list()).passkeys)));

  function add(event: SubmitEvent) {
    event.preventDefault();
    void asking.run(async () => {
      rows = (await passkeys.make(label, password)).passkeys;
      label = password = "";
      adding = false;
    }, `“${label}” opens your account from now on.`);
  }

  function remove(row: PasskeyRow) {
    void asking.run(
      async () => (rows = (await passkeys.remove(row.id)).passkeys),
      `“${row.label}” opens nothing any more. Take it off the device too.`,
    );
  }
</script>

<section class="rounded-xl border bg-paper px-6 py-5" aria-labelledby="passkeys">
  <h2 id="passkeys" class="font-semibold">Passkeys</h2>
  <p class="soft mt-1">
    A passkey lets you in with your finger, your face or the PIN of a device, instead of the password. Nobody
    can guess it, or have you type it into a false page.
  </p>
  {#if rows.length > 0}
    <Table framed={false} class="mt-3"
      >{#snippet heads()}<TableHead>Device</TableHead><TableHead>Added</TableHead><TableHead
          >Last used</TableHead
        ><TableHead><span class="sr-only">Remove</span></TableHead>{/snippet}{#snippet body()}
        {#each rows as row (row.id)}
          <tr class="border-t">
            <td class="px-3 py-2 break-words">{row.label}</td>
            <td class="px-3 py-2 whitespace-nowrap">{dayAndTime(row.made)}</td>
            <td class="px-3 py-2 whitespace-nowrap">{row.used ? dayAndTime(row.used) : "never"}</td>
            <td class="px-3 py-2 text-right">
              <Button disabled={asking.busy} onclick={() => remove(row)} aria-label="Remove {row.label}"
                >Remove</Button
              >
            </td>
          </tr>
        {/each}
      {/snippet}</Table
    >
  {/if}
  <Outcome {asking} class="mt-3" />
  {#if !possible}
    <p class="soft mt-3">This browser cannot have passkeys under this address.</p>
  {:else if adding}
    <form class="mt-3 grid max-w-80 gap-3" onsubmit={add}>
      <label class="grid gap-1"
        >What the device is called<Input
          required
          maxlength={100}
          placeholder="Work laptop"
          {@attach (node) => node.focus()}
          bind:value={label}
        /></label
      >
      <label class="grid gap-1"
        >Your password, once more<Input
          type="password"
          autocomplete="current-password"
          required
          bind:value={password}
        /></label
      >
      <div class="flex gap-2">
        <Button look="primary" type="submit" disabled={asking.busy}>Add it</Button>
        <Button onclick={() => (adding = false)}>Leave it</Button>
      </div>
    </form>
  {:else}
    <Button class="mt-3" onclick={() => (adding = true)}>Add a passkey …</Button>
  {/if}
</section>
