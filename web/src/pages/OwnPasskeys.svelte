<script lang="ts">
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
  let busy = $state(false);
  let wrong = $state("");
  let done = $state("");

  onMount(() => attempt(async () => (rows = (await passkeys.list()).passkeys)));

  async function attempt(work: () => Promise<unknown>) {
    wrong = done = "";
    busy = true;
    try {
      await work();
    } catch (problem) {
      wrong = problem instanceof Error ? problem.message : String(problem);
    } finally {
      busy = false;
    }
  }

  function add(event: SubmitEvent) {
    event.preventDefault();
    void attempt(async () => {
      rows = (await passkeys.make(label, password)).passkeys;
      done = `“${label}” opens your account from now on.`;
      label = password = "";
      adding = false;
    });
  }

  function remove(row: PasskeyRow) {
    void attempt(async () => {
      rows = (await passkeys.remove(row.id)).passkeys;
      done = `“${row.label}” opens nothing any more. Take it off the device too.`;
    });
  }
</script>

<section class="rounded-xl border bg-paper px-6 py-5" aria-labelledby="passkeys">
  <h2 id="passkeys" class="font-semibold">Passkeys</h2>
  <p class="soft mt-1">
    A passkey lets you in with your finger, your face or the PIN of a device, instead of the password. Nobody
    can guess it, or have you type it into a false page.
  </p>
  {#if rows.length > 0}
    <table class="mt-3 w-full text-left">
      <thead class="soft">
        <tr>
          <th class="py-1 pr-4 font-normal">Device</th>
          <th class="py-1 pr-4 font-normal">Added</th>
          <th class="py-1 pr-4 font-normal">Last used</th>
          <th class="py-1"><span class="sr-only">Remove</span></th>
        </tr>
      </thead>
      <tbody>
        {#each rows as row (row.id)}
          <tr class="border-t">
            <td class="py-2 pr-4 break-words">{row.label}</td>
            <td class="py-2 pr-4 whitespace-nowrap">{dayAndTime(row.made)}</td>
            <td class="py-2 pr-4 whitespace-nowrap">{row.used ? dayAndTime(row.used) : "never"}</td>
            <td class="py-2 text-right">
              <button
                class="button"
                disabled={busy}
                onclick={() => remove(row)}
                aria-label="Remove {row.label}">Remove</button
              >
            </td>
          </tr>
        {/each}
      </tbody>
    </table>
  {/if}
  {#if done}<p role="status" class="mt-3 rounded-md border bg-moss-tint px-4 py-2">{done}</p>{/if}
  {#if wrong}<p class="trouble mt-3" role="alert">{wrong}</p>{/if}
  {#if !possible}
    <p class="soft mt-3">This browser cannot have passkeys under this address.</p>
  {:else if adding}
    <form class="mt-3 grid max-w-80 gap-3" onsubmit={add}>
      <label class="grid gap-1"
        >What the device is called<input
          class="text-input"
          required
          maxlength="100"
          placeholder="Work laptop"
          {@attach (node) => node.focus()}
          bind:value={label}
        /></label
      >
      <label class="grid gap-1"
        >Your password, once more<input
          class="text-input"
          type="password"
          autocomplete="current-password"
          required
          bind:value={password}
        /></label
      >
      <div class="flex gap-2">
        <button class="button primary" disabled={busy}>Add it</button>
        <button class="button" type="button" onclick={() => (adding = false)}>Leave it</button>
      </div>
    </form>
  {:else}
    <button class="button mt-3" onclick={() => (adding = true)}>Add a passkey …</button>
  {/if}
</section>
