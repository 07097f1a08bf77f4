<script lang="ts">
  import { request } from "../api/http";
  import type { PasswordOf } from "../api/types";
  import NotOpened from "../document/NotOpened.svelte";
  import { router } from "../router.svelte";
  import { session } from "../session.svelte";

  let { link }: { link: string } = $props();

  const whose = $derived(request<PasswordOf>("POST", "/api/session/reset", { link, password: "" }));
  let password = $state("");
  let trouble = $state("");

  async function submit(event: SubmitEvent) {
    event.preventDefault();
    trouble = "";
    try {
      await session.reset(link, password);
      router.go("/");
    } catch (problem) {
      trouble = problem instanceof Error ? problem.message : String(problem);
    }
  }
</script>

<svelte:head><title>A new password · Loesscape</title></svelte:head>

<main class="flex min-h-screen items-center justify-center px-4">
  <div class="w-full max-w-[400px] rounded-xl border bg-paper px-8 pt-8 pb-9">
    <div class="mb-6 flex items-center gap-3">
      <span class="rounded-md bg-spruce p-[5px]"><img src="/logo.svg" alt="" width="28" height="28" /></span>
      <h1 class="text-xl font-semibold">A new password</h1>
    </div>
    {#await whose then { name }}
      <form class="grid gap-4" onsubmit={submit}>
        <input type="hidden" autocomplete="username" value={name} />
        <label class="grid gap-1"
          >New password for {name}
          <input
            class="text-input"
            type="password"
            autocomplete="new-password"
            minlength="10"
            required
            bind:value={password}
          />
          <span class="soft text-xs"
            >At least ten characters. Some words put together are easy to keep in mind. Passkeys of before
            open nothing any more; add them again afterwards.</span
          >
        </label>
        {#if trouble}<p class="trouble" role="alert">{trouble}</p>{/if}
        <button class="button primary justify-center">Keep it and sign in</button>
      </form>
    {:catch problem}
      <NotOpened {problem} />
    {/await}
  </div>
</main>
