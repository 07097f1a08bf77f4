<script lang="ts">
  import { ownHeaders, request } from "../api/http";
  import type { Organisation } from "../api/types";

  const BASE = "/api/organisation";
  let organisation = $state<Organisation | null>(null);
  let name = $state("");
  let accent = $state("");
  let told = $state("");
  let wrong = $state("");
  let version = $state(0);
  let chooser: HTMLInputElement;

  void take(request<Organisation>("GET", BASE), "");

  async function take(asking: Promise<Organisation>, done: string) {
    wrong = told = "";
    try {
      const now = await asking;
      organisation = now;
      name = now.name;
      accent = now.accent;
      told = done;
      version++;
    } catch (problem) {
      wrong = problem instanceof Error ? problem.message : String(problem);
    }
  }

  const keep = () => take(request<Organisation>("PUT", BASE, { name, accent }), "Kept.");

  async function bring() {
    const file = chooser.files?.[0];
    chooser.value = "";
    if (!file) return;
    const sent = fetch(`${BASE}/logo?name=${encodeURIComponent(file.name)}`, {
      method: "PUT",
      headers: { "Content-Type": "application/octet-stream", ...ownHeaders() },
      body: file,
    }).then(async (answer) => {
      const content = await answer.json();
      if (!answer.ok) throw new Error(content.detail ?? "The logo was not taken.");
      return content as Organisation;
    });
    await take(sent, "Logo kept.");
  }
</script>

<!-- Who hands the documents out: what their readers see at the top. -->
<section class="mt-8 rounded-xl border bg-paper px-5 py-4" aria-labelledby="organisation">
  <h2 id="organisation" class="font-semibold">Your organisation, as fillers see it</h2>
  <form
    class="mt-3 flex flex-wrap items-end gap-4"
    onsubmit={(event) => {
      event.preventDefault();
      void keep();
    }}
  >
    <label class="grid w-72 gap-1"
      >Name
      <input class="text-input py-[7px]" maxlength="200" bind:value={name} />
    </label>
    <label class="grid gap-1"
      >Accent colour
      <span class="flex gap-1">
        <input
          type="color"
          class="h-8 w-10"
          aria-label="Accent colour, to be picked"
          value={accent || "#16332f"}
          onchange={(event) => (accent = event.currentTarget.value)}
        />
        <input class="text-input key w-28" placeholder="#1f6f8b" maxlength="7" bind:value={accent} />
      </span>
    </label>
    <button class="button py-[7px]">Keep</button>
    <span class="ml-auto flex flex-wrap items-center gap-2">
      {#if organisation?.hasLogo}
        <img src={`${BASE}/logo?${version}`} alt="Logo" class="size-9 object-contain" />
        <button
          type="button"
          class="button py-[7px]"
          onclick={() => take(request<Organisation>("DELETE", `${BASE}/logo`), "Logo taken away.")}
          >Take the logo away</button
        >
      {/if}
      <button type="button" class="button py-[7px]" onclick={() => chooser.click()}
        >{organisation?.hasLogo ? "Another logo" : "Choose a logo"}</button
      >
    </span>
    <input
      bind:this={chooser}
      type="file"
      class="hidden"
      accept="image/png,image/jpeg,image/svg+xml"
      aria-hidden="true"
      tabindex="-1"
      onchange={bring}
    />
  </form>
  {#if wrong}<p class="trouble mt-2" role="alert">{wrong}</p>{/if}
  <p class="soft mt-1" role="status">{told}</p>
</section>
