<script lang="ts">
  import { session } from "../session.svelte";
  import OwnPasskeys from "./OwnPasskeys.svelte";
  import TopBar from "./TopBar.svelte";

  let before = $state("");
  let after = $state("");
  let done = $state("");
  let wrong = $state("");

  async function attempt(work: () => Promise<void>, said: string) {
    done = wrong = "";
    try {
      await work();
      done = said;
      before = after = "";
    } catch (problem) {
      wrong = problem instanceof Error ? problem.message : String(problem);
    }
  }
</script>

<svelte:head><title>Your account · Loesscape</title></svelte:head>

<TopBar title="Your account" />
<main class="mx-auto grid max-w-[720px] gap-6 px-4 py-7">
  <h1 class="text-lg font-semibold">{session.value?.author}</h1>
  {#if done}<p role="status" class="rounded-md border bg-moss-tint px-4 py-2">{done}</p>{/if}
  {#if wrong}<p class="trouble" role="alert">{wrong}</p>{/if}
  <section class="rounded-xl border bg-paper px-6 py-5" aria-labelledby="password">
    <h2 id="password" class="font-semibold">Password</h2>
    <form
      class="mt-3 grid max-w-80 gap-3"
      onsubmit={(event) => {
        event.preventDefault();
        void attempt(
          () => session.changePassword(before, after),
          "The password is changed; wherever else you were signed in, you are signed out.",
        );
      }}
    >
      <input type="hidden" autocomplete="username" value={session.value?.author} />
      <label class="grid gap-1"
        >So far<input
          class="text-input"
          type="password"
          autocomplete="current-password"
          required
          bind:value={before}
        /></label
      >
      <label class="grid gap-1"
        >From now on<input
          class="text-input"
          type="password"
          autocomplete="new-password"
          minlength="10"
          required
          bind:value={after}
        /></label
      >
      <button class="button w-fit">Change the password</button>
    </form>
  </section>
  <OwnPasskeys />
  <section class="rounded-xl border bg-paper px-6 py-5" aria-labelledby="sessions">
    <h2 id="sessions" class="font-semibold">Where you are signed in</h2>
    <p class="soft mt-1">
      A browser that is left alone for twelve hours is signed out, and after seven days each one is.
    </p>
    <button
      class="button mt-3"
      onclick={() => attempt(() => session.endOthers(), "You are signed out everywhere but here.")}
      >Sign out everywhere else</button
    >
  </section>
</main>
