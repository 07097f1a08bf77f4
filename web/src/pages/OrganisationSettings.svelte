<script lang="ts">
  import FileButton from "../ui/FileButton.svelte";
  import { Asking } from "../api/asking.svelte";
  import Outcome from "../ui/Outcome.svelte";
  import Button from "../ui/Button.svelte";
  import Input from "../ui/Input.svelte";
  import Select from "../ui/Select.svelte";
  import TextArea from "../ui/TextArea.svelte";
  import { request } from "../api/http";
  import type { Organisation, Stationery } from "../api/types";

  const BASE = "/api/organisation";
  let organisation = $state<Organisation | null>(null);
  let name = $state("");
  let accent = $state("");
  const asking = new Asking();
  let version = $state(0);

  const take = (found: () => Promise<Organisation>, done: string) =>
    asking.run(async () => {
      const now = await found();
      organisation = now;
      name = now.name;
      accent = now.accent;
      version++;
    }, done);

  void take(() => request<Organisation>("GET", BASE), "");

  /** What the paper says beside the name. */
  let paper = $state<Stationery>({ letterhead: "", footer: "", typeface: "sans", paper: "a4" });
  const stationery = new Asking();
  const STATIONERY = `${BASE}/stationery`;
  void stationery.run(async () => {
    paper = await request<Stationery>("GET", STATIONERY);
  });
  const keepPaper = () =>
    stationery.run(async () => {
      paper = await request<Stationery>("PUT", STATIONERY, paper);
    }, "Kept.");

  const keep = () => take(() => request<Organisation>("PUT", BASE, { name, accent }), "Kept.");

  const bring = (file: File) =>
    take(
      () => request<Organisation>("PUT", `${BASE}/logo?name=${encodeURIComponent(file.name)}`, file),
      "Logo kept.",
    );
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
      <Input height="tall" maxlength={200} bind:value={name} />
    </label>
    <label class="grid gap-1"
      >Accent colour
      <span class="flex gap-1">
        <Input
          look="bare"
          width="2.5rem"
          class="h-9"
          type="color"
          aria-label="Accent colour, to be picked"
          shows={accent || "#16332f"}
          onchange={(event) => (accent = event.currentTarget.value)}
        />
        <Input
          height="tall"
          width="7rem"
          class="key"
          placeholder="#1f6f8b"
          maxlength={7}
          bind:value={accent}
        />
      </span>
    </label>
    <Button size="tall" type="submit">Keep</Button>
    <span class="ml-auto flex flex-wrap items-center gap-2">
      {#if organisation?.hasLogo}
        <img src={`${BASE}/logo?${version}`} alt="Logo" class="size-9 object-contain" />
        <Button
          size="tall"
          onclick={() => take(() => request<Organisation>("DELETE", `${BASE}/logo`), "Logo taken away.")}
          >Take the logo away</Button
        >
      {/if}
      <FileButton size="tall" accept="image/png,image/jpeg,image/svg+xml" onfile={bring}
        >{organisation?.hasLogo ? "Another logo" : "Choose a logo"}</FileButton
      >
    </span>
  </form>
  <Outcome {asking} class="mt-2" />
  <h3 class="mt-5 font-semibold">On paper</h3>
  <p class="soft mt-1">
    Finished documents have your name, logo and colour at the head of the first page, with what stands here.
  </p>
  <form
    class="mt-3 flex flex-wrap items-end gap-4"
    onsubmit={(event) => {
      event.preventDefault();
      void keepPaper();
    }}
  >
    <label class="grid w-64 gap-1"
      >Beneath the name, up to six lines
      <TextArea rows={3} maxlength={500} bind:value={paper.letterhead} />
    </label>
    <label class="grid w-52 gap-1"
      >At the foot of every page
      <Input height="tall" maxlength={200} bind:value={paper.footer} />
    </label>
    <label class="grid gap-1"
      >Typeface
      <Select height="tall" bind:value={paper.typeface}>
        <option value="sans">Without serifs</option>
        <option value="serif">With serifs</option>
      </Select>
    </label>
    <label class="grid gap-1"
      >Paper of new documents
      <Select height="tall" bind:value={paper.paper}>
        <option value="a4">A4</option>
        <option value="letter">Letter</option>
      </Select>
    </label>
    <Button size="tall" type="submit">Keep the paper</Button>
  </form>
  <Outcome asking={stationery} class="mt-2" />
</section>
