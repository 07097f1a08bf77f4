<script lang="ts">
  import { Asking } from "../api/asking.svelte";
  import Outcome from "../ui/Outcome.svelte";
  import Button from "../ui/Button.svelte";
  import Input from "../ui/Input.svelte";
  import { session } from "../session.svelte";
  import OwnPasskeys from "./OwnPasskeys.svelte";
  import TopBar from "./TopBar.svelte";

  let before = $state("");
  let after = $state("");
  const asking = new Asking();

  async function attempt(work: () => Promise<void>, done: string) {
    if (await asking.run(work, done)) before = after = "";
  }
</script>

<svelte:head><title>Your account · Loesscape</title></svelte:head>

<TopBar title="Your account" />
<main class="mx-auto grid max-w-[720px] gap-6 px-4 py-7">
  <h1 class="text-lg font-semibold">{session.value?.author}</h1>
  <Outcome {asking} />
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
      <Input look="bare" type="hidden" autocomplete="username" shows={session.value?.author} />
      <label class="grid gap-1"
        >So far<Input type="password" autocomplete="current-password" required bind:value={before} /></label
      >
      <label class="grid gap-1"
        >From now on<Input
          type="password"
          autocomplete="new-password"
          minlength={10}
          required
          bind:value={after}
        /></label
      >
      <Button type="submit" class="w-fit">Change the password</Button>
    </form>
  </section>
  <OwnPasskeys />
  <section class="rounded-xl border bg-paper px-6 py-5" aria-labelledby="sessions">
    <h2 id="sessions" class="font-semibold">Where you are signed in</h2>
    <p class="soft mt-1">
      A browser that is left alone for twelve hours is signed out, and after seven days each one is.
    </p>
    <Button
      class="mt-3"
      onclick={() => attempt(() => session.endOthers(), "You are signed out everywhere but here.")}
      >Sign out everywhere else</Button
    >
  </section>
</main>
