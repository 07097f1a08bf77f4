<script lang="ts">
  import { Asking } from "../api/asking.svelte";
  import Outcome from "../ui/Outcome.svelte";
  import Button from "../ui/Button.svelte";
  import Input from "../ui/Input.svelte";
  import { request } from "../api/http";
  import type { PasswordOf } from "../api/types";
  import NotOpened from "../document/NotOpened.svelte";
  import { router } from "../router.svelte";
  import { session } from "../session.svelte";

  let { link }: { link: string } = $props();

  const whose = $derived(request<PasswordOf>("POST", "/api/session/reset", { link, password: "" }));
  let password = $state("");
  const asking = new Asking();

  async function submit(event: SubmitEvent) {
    event.preventDefault();
    if (await asking.run(() => session.reset(link, password))) router.go("/");
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
        <Input look="bare" type="hidden" autocomplete="username" shows={name} />
        <label class="grid gap-1"
          >New password for {name}
          <Input type="password" autocomplete="new-password" minlength={10} required bind:value={password} />
          <span class="soft text-xs"
            >At least ten characters. Some words put together are easy to keep in mind. Passkeys of before
            open nothing any more; add them again afterwards.</span
          >
        </label>
        <Outcome {asking} />
        <Button look="primary" type="submit">Keep it and sign in</Button>
      </form>
    {:catch problem}
      <NotOpened {problem} />
    {/await}
  </div>
</main>
