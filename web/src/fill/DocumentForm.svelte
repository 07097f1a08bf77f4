<script lang="ts">
  import Button from "../ui/light/Button.svelte";
  import { flushSync, type Snippet, tick } from "svelte";
  import type { Node } from "../api/types";
  import { keyOf } from "../document/answers";
  import FinishBar from "./FinishBar.svelte";
  import type { Filling } from "./filling.svelte";
  import ProgressCore from "./ProgressCore.svelte";
  import ReadDocument from "./ReadDocument.svelte";
  import SectionBody from "./SectionBody.svelte";

  let { filling, intro, aside }: { filling: Filling; intro?: Snippet; aside?: Snippet } = $props();

  const sheet = $derived(filling.sheet!);
  const shown = (key: string) => sheet.states[key]?.shown ?? false;
  const held = (key: string) => (sheet.held[key] ?? []).filter(shown);
  const node = (key: string) => sheet.nodes[key]!;
  const heading = (it: Node) => (it.type === "page" || it.type === "section" ? it.title : "");
  const pages = $derived(held(""));
  /** The page that is open; where it folds away, the last one before it that is still there. */
  // svelte-ignore state_referenced_locally (where one begins does not change while one is there)
  let wanted = $state(pages.find((it) => held(it).some((key) => filling.concerns?.has(key))) ?? "");
  const page = $derived.by(() => {
    const order = sheet.held[""] ?? [];
    const before = pages.filter((it) => order.indexOf(it) <= order.indexOf(wanted));
    return before.at(-1) ?? pages[0] ?? "";
  });
  const sections = $derived(page ? held(page) : []);
  /** Whether answers are written on pages of a PDF, which fill beside the questions. */
  const isPlaced = $derived(
    (sheet.held[""] ?? []).some((key) => {
      const it = sheet.nodes[key];
      return it?.type === "page" && it.sheet !== null;
    }),
  );
  const GAPS = { compact: "9px", normal: "16px", roomy: "24px" };
  const organisation = $derived(sheet.organisation);
  const progress = $derived(
    sheet.progress.filter(({ key }) => filling.concerns === null || filling.concerns.has(key)),
  );
  let current = $state<string | null>(null);
  let focused = $state<string | null>(null);

  /** The section one is reading: the last whose heading has passed the upper third of the window. */
  function look() {
    const passed = sections.filter((key) => {
      const top = document.getElementById(`s-${key}`)?.getBoundingClientRect().top ?? Infinity;
      return top < innerHeight / 3;
    });
    current = passed.at(-1) ?? sections[0] ?? null;
  }
  $effect(look);

  /** The page on which a node stands. */
  function pageOf(key: string): string | undefined {
    const holds = (holder: string): boolean =>
      (sheet.held[holder] ?? []).some((inner) => inner === key || holds(inner));
    return pages.find(holds);
  }

  async function turn(step: -1 | 1) {
    wanted = pages[pages.indexOf(page) + step] ?? page;
    await tick();
    scrollTo({ top: 0 });
    document.getElementById("page-heading")?.focus({ preventScroll: true });
  }

  async function goTo(section: string) {
    wanted = pageOf(section) ?? wanted;
    await tick();
    const place = document.getElementById(`s-${section}`);
    place?.scrollIntoView({ behavior: calm() ? "auto" : "smooth" });
    place?.focus({ preventScroll: true });
  }

  const calm = () => matchMedia("(prefers-reduced-motion: reduce)").matches;

  let questions = $state<HTMLElement>();
  /** Where the focus was last, as the place among all that can take it. */
  let last: { element: Element; place: number } | null = null;
  const focusables = () => [
    ...questions!.querySelectorAll<HTMLElement>("input, select, textarea, button, a[href], [tabindex]"),
  ];

  // What folds with the focus in it hands the focus to what stood before it.
  $effect(() => {
    void sheet.states;
    void filling.keptAt;
    void tick().then(() => {
      if (!last || last.element.isConnected || document.activeElement !== document.body) return;
      const all = focusables();
      all[Math.min(Math.max(0, last.place - 1), all.length - 1)]?.focus();
    });
  });

  let innerWidth = $state(0);
  /** Whether there is room for the pages beside the questions. */
  const isWide = $derived(innerWidth >= 1_200);

  /** On paper all pages stand under each other. */
  let printing = $state(false);
  $effect(() => {
    const paper = new CSSStyleSheet();
    paper.replaceSync(`@page { size: ${sheet.pageSettings.paper === "a4" ? "A4" : "letter"}; margin: 18mm }`);
    document.adoptedStyleSheets = [paper];
  });

  async function lead(key: string | undefined) {
    if (!key) return;
    wanted = pageOf(keyOf(key)) ?? wanted;
    await tick();
    const place = document.getElementById(`f-${key}`);
    const control = place?.matches("[role=radiogroup], [role=group]")
      ? place.querySelector<HTMLElement>("input, button")
      : place;
    place?.closest(".question")?.scrollIntoView({
      block: "center",
      behavior: calm() ? "auto" : "smooth",
    });
    (control ?? place)?.focus({ preventScroll: true });
  }

  async function finish() {
    await filling.finish();
    if (!filling.isOver) await lead(sheet.obstacles[0]?.key);
  }
</script>

{#snippet paper()}
  {#await import("./PagesBeside.svelte") then { default: PagesBeside }}
    <PagesBeside {filling} {page} {focused} />
  {/await}
{/snippet}

<svelte:window
  bind:innerWidth
  onscroll={look}
  onresize={look}
  onbeforeprint={() => flushSync(() => (printing = true))}
  onafterprint={() => (printing = false)}
/>

<header class="band border-b bg-paper" style:--accent={organisation.accent || undefined}>
  <div class="mx-auto flex max-w-[1120px] items-center gap-4 px-4 py-3.5 sm:px-6">
    {#if organisation.hasLogo}<img
        src={`${filling.base}/logo`}
        alt={organisation.name}
        class="max-h-9 max-w-40"
      />{/if}
    <span class="min-w-0 truncate text-reading font-semibold"
      >{(!organisation.hasLogo && organisation.name) || sheet.subtitle || sheet.title}</span
    >
    <span class="soft ms-auto shrink-0 max-sm:hidden">Your answers are kept as you go</span>
  </div>
</header>
<div
  class={[
    "mx-auto grid pb-24 sm:px-6 sm:pt-6",
    isPlaced && isWide
      ? "max-w-[1560px] grid-cols-[150px_minmax(0,480px)_minmax(0,1fr)] gap-7"
      : "max-w-[1120px] grid-cols-[minmax(0,1fr)] md:grid-cols-[200px_minmax(0,620px)] md:gap-10",
  ]}
>
  <ProgressCore {progress} {current} onlead={goTo} />
  <main
    dir={sheet.rightToLeft ? "rtl" : undefined}
    lang={sheet.pageSettings.language || undefined}
    style:--item-gap={GAPS[sheet.pageSettings.spacing]}
    class="min-w-0 border-line bg-paper px-4 py-6 sm:border sm:px-9 sm:py-8"
  >
    <h1 class="text-display leading-tight font-semibold">{sheet.title}</h1>
    <p class="soft mt-1">
      <bdi>
        Questions that do not concern you stay out of the way. <span class="whitespace-nowrap"
          ><span class="font-bold text-clay" aria-hidden="true">*</span> means an answer is needed.</span
        >
      </bdi>
    </p>
    {@render intro?.()}
    {#if isPlaced && !isWide}{@render paper()}{/if}
    {#if sheet.hasOwnText || filling.concerns !== null}<ReadDocument {filling} />{/if}
    <div
      bind:this={questions}
      onsubmit={(event) => event.preventDefault()}
      onfocusin={(event) => {
        const element = event.target as HTMLElement;
        focused = element.closest<HTMLElement>("[data-key]")?.dataset.key ?? focused;
        last = { element, place: focusables().indexOf(element) };
      }}
    >
      {#if pages.length > 1}
        <p class="soft mt-5 text-chrome">Page {pages.indexOf(page) + 1} of {pages.length}</p>
      {/if}
      {#if pages.length > 1 && heading(node(page))}
        <h2 class="text-lg font-semibold" id="page-heading" tabindex="-1">{heading(node(page))}</h2>
      {/if}
      {#each printing ? pages.flatMap(held) : held(page) as key (key)}
        <SectionBody {filling} {key} />
      {/each}
      {#if pages.length > 1}
        <div class="mt-8 flex gap-3">
          {#if pages.indexOf(page) > 0}
            <Button onclick={() => turn(-1)}>Back</Button>
          {/if}
          {#if pages.indexOf(page) < pages.length - 1}
            <Button look="primary" class="ms-auto" onclick={() => turn(1)}>Next page</Button>
          {/if}
        </div>
      {/if}
    </div>
  </main>
  {#if isPlaced && isWide}{@render paper()}{/if}
</div>
{@render aside?.()}
<p class="sr-only" role="status">{filling.news}</p>
<FinishBar {filling} onnext={async () => lead(await filling.next(focused))} onfinish={finish} />

<style>
  .band {
    border-top: 4px solid var(--accent, var(--color-spruce));
  }
</style>
