<script lang="ts">
  import Button from "../ui/light/Button.svelte";
  import { request, said } from "../api/http";
  import type { Checked } from "../api/types";
  import { dayAndTime } from "../times";

  let checked = $state<Checked | null>(null);
  let name = $state("");
  let wrong = $state("");
  let over = $state(false);
  let busy = $state(false);
  let input: HTMLInputElement;

  const VERDICTS = {
    sealedHere: ["Sealed here and whole", "moss", "✓"],
    sealedByOthers: ["Whole, but sealed by somebody this server does not know", "straw", "?"],
    changed: ["Changed", "clay", "✗"],
    notSealed: ["Not sealed", "stone", "–"],
    unreadable: ["Not readable", "stone", "–"],
  } as const;

  async function check(file: File | undefined) {
    if (!file) return;
    busy = true;
    wrong = "";
    checked = null;
    name = file.name;
    try {
      // Brings the token that has to go with whatever is sent.
      await request("GET", "/api/session");
      checked = await request<Checked>("POST", "/api/verify", file);
    } catch (problem) {
      wrong = said(problem);
    } finally {
      busy = false;
    }
  }
</script>

<svelte:head><title>Check a signed document</title></svelte:head>

<main class="mx-auto max-w-[760px] px-4 py-10">
  <h1 class="text-2xl font-semibold">Check a signed document</h1>
  <p class="mt-2 text-reading">
    See whether a PDF is as it was when it was sealed, and what its trail says. It is not kept.
  </p>
  <div
    class={["mt-5 rounded-xl border-2 border-dashed bg-paper p-8 text-center", over && "border-river"]}
    role="group"
    aria-label="A PDF to check"
    ondragover={(event) => {
      event.preventDefault();
      over = true;
    }}
    ondragleave={() => (over = false)}
    ondrop={(event) => {
      event.preventDefault();
      over = false;
      void check(event.dataTransfer?.files[0]);
    }}
  >
    <p>Drop a PDF here, or</p>
    <Button look="primary" size="large" class="mt-3" onclick={() => input.click()}>choose one</Button>
    <input
      bind:this={input}
      type="file"
      class="hidden"
      accept="application/pdf"
      tabindex="-1"
      aria-hidden="true"
      onchange={() => check(input.files?.[0])}
    />
  </div>
  <div aria-live="polite">
    {#if busy}<p class="soft mt-4">Looking at {name} …</p>{/if}
    {#if wrong}<p class="trouble mt-4">{wrong}</p>{/if}
    {#if checked}
      {@const verdict = VERDICTS[checked.verdict]}
      <div class={["mt-6 rounded-xl border p-5", `shade-${verdict[1]}`]}>
        <h2 class="text-lg font-semibold"><span aria-hidden="true">{verdict[2]}</span> {verdict[0]}</h2>
        <p class="mt-1 text-reading">{checked.message}</p>
        {#if checked.by}<p class="mt-1">
            {checked.verdict === "sealedHere" ? "Sealed by" : "It calls itself sealed by"}
            {checked.by}{#if checked.at}, {dayAndTime(checked.at)}{/if}.
          </p>{/if}
      </div>
      {#if checked.trail.length}
        <h2 class="mt-6 font-semibold">
          {checked.verdict === "sealedHere" ? "What happened" : "What it claims to have happened"}
        </h2>
        {#if checked.brokenAt}<p class="trouble">
            From entry {checked.brokenAt} on, the trail does not hold together.
          </p>{/if}
        <ol class="mt-2 border-s-2 ps-4">
          {#each checked.trail as line (line.number)}
            <li class="mt-3">
              <p class="text-sheet">{line.words}</p>
              <p class="soft text-note">
                {line.number} · {dayAndTime(line.at)} · {line.who}{#if line.from}, from {line.from}{/if}
              </p>
            </li>
          {/each}
        </ol>
      {/if}
    {/if}
  </div>
</main>
