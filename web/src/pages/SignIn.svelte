<script lang="ts">
  import { Asking } from "../api/asking.svelte";
  import Button from "../ui/Button.svelte";
  import Input from "../ui/Input.svelte";
  import Outcome from "../ui/Outcome.svelte";
  import * as passkeys from "../passkeys";
  import { router } from "../router.svelte";
  import { session } from "../session.svelte";

  /** The secret of the link that makes the first author; empty where it was not followed. */
  let { setupLink = "" }: { setupLink?: string } = $props();

  let name = $state("");
  let password = $state("");
  const asking = new Asking();
  const needsSetup = $derived(session.value?.needsSetup ?? false);
  const setUp = $derived(needsSetup && setupLink !== "");
  const demoAuthor = $derived(session.value?.demoAuthor);

  const enter = (how: () => Promise<void>) =>
    asking.run(async () => {
      await how();
      if (router.path === "/sign-in" || setupLink) router.go("/");
    });

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
        look="primary"
        size="large"
        class="w-full justify-center"
        disabled={asking.busy}
        onclick={() => enter(() => session.signInToDemo())}
      >
        Go in as {demoAuthor}, demo author
      </Button>
      <p class="soft mt-2 mb-6 text-center text-xs">Demo data: people, places and documents are invented.</p>
    {/if}
    <form onsubmit={submit} class={["gap-4", needsSetup && !setUp ? "hidden" : "grid"]}>
      <label class="grid gap-1 text-sheet font-medium"
        >Name<Input height="large" autocomplete="username" required bind:value={name} /></label
      >
      <label class="grid gap-1 text-sheet font-medium"
        >Password<Input
          height="large"
          type="password"
          autocomplete={setUp ? "new-password" : "current-password"}
          minlength={setUp ? 10 : undefined}
          required
          bind:value={password}
        />
        {#if setUp}<span class="soft text-xs font-normal">At least ten characters.</span>{/if}</label
      >
      <Outcome {asking} />
      <Button
        type="submit"
        look={demoAuthor ? "usual" : "spruce"}
        size="large"
        class="justify-center"
        disabled={asking.busy}
      >
        {setUp ? "Begin" : "Sign in"}
      </Button>
    </form>
    {#if !needsSetup && passkeys.arePossible()}
      <Button
        size="large"
        class="mt-3 w-full justify-center"
        disabled={asking.busy}
        onclick={() => enter(() => session.signInWithPasskey())}
      >
        Sign in with a passkey
      </Button>
    {/if}
  </div>
</main>
