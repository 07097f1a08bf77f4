<script lang="ts">
  import Button from "flowbite-svelte/Button.svelte";
  import Input from "flowbite-svelte/Input.svelte";
  import Label from "flowbite-svelte/Label.svelte";
  import * as passkeys from "../passkeys";
  import { router } from "../router.svelte";
  import { session } from "../session.svelte";

  /** The secret of the link that makes the first author; empty where it was not followed. */
  let { setupLink = "" }: { setupLink?: string } = $props();

  let name = $state("");
  let password = $state("");
  let trouble = $state("");
  let busy = $state(false);
  const needsSetup = $derived(session.value?.needsSetup ?? false);
  const setUp = $derived(needsSetup && setupLink !== "");
  const demoAuthor = $derived(session.value?.demoAuthor);

  async function enter(how: () => Promise<void>) {
    busy = true;
    trouble = "";
    try {
      await how();
      if (router.path === "/sign-in" || setupLink) router.go("/");
    } catch (problem) {
      trouble = problem instanceof Error ? problem.message : String(problem);
    } finally {
      busy = false;
    }
  }

  function submit(event: SubmitEvent) {
    event.preventDefault();
    void enter(() => (setUp ? session.setUp(setupLink, name, password) : session.signIn(name, password)));
  }
</script>

<svelte:head><title>{setUp ? "Set up" : "Sign in"} · Loesscape</title></svelte:head>

<main class="flex min-h-screen items-center justify-center px-4">
  <div class="w-full max-w-[400px] rounded-xl border bg-paper px-8 pt-8 pb-9">
    <div class="mb-6 flex items-center gap-3">
      <span class="rounded-md bg-spruce p-[5px]"><img src="/logo.svg" alt="" width="28" height="28" /></span>
      <h1 class="text-xl font-semibold">{setUp ? "Welcome to Loesscape" : "Sign in to Loesscape"}</h1>
    </div>
    {#if setUp}
      <p class="soft mb-5 text-sm">
        Nobody has an account yet. Choose your name and a password; you are the first author.
      </p>
    {/if}
    {#if needsSetup && !setUp}
      <p class="soft text-sm">
        Nobody has an account yet. The link that makes the first author is on the console, where the server
        was started; follow it.
      </p>
    {/if}
    {#if demoAuthor}
      <Button
        class="w-full rounded-md bg-gold font-semibold text-gold-ink hover:bg-gold-hover"
        disabled={busy}
        onclick={() => enter(() => session.signInToDemo())}
      >
        Go in as {demoAuthor}, demo author
      </Button>
      <p class="soft mt-2 mb-6 text-center text-xs">Demo data: people, places and documents are invented.</p>
    {/if}
    <form onsubmit={submit} class={["gap-4", needsSetup && !setUp ? "hidden" : "grid"]}>
      <div>
        <Label for="name" class="mb-1 text-ink">Name</Label>
        <Input
          id="name"
          autocomplete="username"
          required
          bind:value={name}
          class="border-edge bg-paper text-ink"
        />
      </div>
      <div>
        <Label for="password" class="mb-1 text-ink">Password</Label>
        <Input
          id="password"
          type="password"
          autocomplete={setUp ? "new-password" : "current-password"}
          minlength={setUp ? 10 : undefined}
          required
          bind:value={password}
          class="border-edge bg-paper text-ink"
        />
        {#if setUp}<p class="soft mt-1 text-xs">At least ten characters.</p>{/if}
      </div>
      {#if trouble}<p class="trouble" role="alert">{trouble}</p>{/if}
      <Button
        type="submit"
        disabled={busy}
        class={[
          "rounded-md",
          demoAuthor
            ? "border border-edge bg-paper text-ink hover:bg-ground"
            : "bg-spruce text-spruce-ink hover:bg-spruce-hover",
        ].join(" ")}
      >
        {setUp ? "Begin" : "Sign in"}
      </Button>
    </form>
    {#if !needsSetup && passkeys.arePossible()}
      <Button
        class="mt-3 w-full rounded-md border border-edge bg-paper text-ink hover:bg-ground"
        disabled={busy}
        onclick={() => enter(() => session.signInWithPasskey())}
      >
        Sign in with a passkey
      </Button>
    {/if}
  </div>
</main>
