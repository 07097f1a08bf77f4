<script lang="ts">
  import { tick } from "svelte";
  import type { Node } from "../api/types";
  import Banded from "../document/Banded.svelte";
  import { parts, rows } from "../document/rows";
  import FinishBar from "./FinishBar.svelte";
  import type { Filling } from "./filling.svelte";
  import ProgressCore from "./ProgressCore.svelte";
  import Question from "./Question.svelte";

  let { filling }: { filling: Filling } = $props();

  const sheet = $derived(filling.sheet!);
  const shown = (key: string) => sheet.states[key]?.shown ?? false;
  const held = (key: string) => (sheet.held[key] ?? []).filter(shown);
  const node = (key: string) => sheet.nodes[key]!;
  const heading = (it: Node) => (it.type === "page" || it.type === "section" ? it.title : "");
  const pages = $derived(held(""));
  const sections = $derived(pages.flatMap(held));
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

  async function lead(key: string | undefined) {
    if (!key) return;
    await tick();
    const place = document.getElementById(`f-${key}`);
    const control = place?.matches("[role=radiogroup]") ? place.querySelector("input") : place;
    place?.closest(".question")?.scrollIntoView({
      block: "center",
      behavior: matchMedia("(prefers-reduced-motion: reduce)").matches ? "auto" : "smooth",
    });
    (control ?? place)?.focus({ preventScroll: true });
  }

  async function finish() {
    await filling.finish();
    if (filling.record === null) await lead(sheet.obstacles[0]?.key);
  }
</script>

<svelte:window onscroll={look} onresize={look} />

<header class="border-b bg-paper">
  <div class="mx-auto flex max-w-[1120px] items-center gap-4 px-4 py-3.5 sm:px-6">
    <span class="min-w-0 truncate text-[15px] font-semibold">{sheet.subtitle || sheet.title}</span>
    <span class="soft ml-auto shrink-0 max-sm:hidden">Your answers are kept as you go</span>
  </div>
</header>
<div class="mx-auto grid max-w-[1120px] pb-24 sm:px-6 sm:pt-6 md:grid-cols-[200px_minmax(0,620px)] md:gap-10">
  <ProgressCore progress={sheet.progress} {current} />
  <main class="min-w-0 border-line bg-paper px-4 py-6 sm:border sm:px-9 sm:py-8">
    <h1 class="text-[22px] leading-tight font-semibold">{sheet.title}</h1>
    <p class="soft mt-1">
      Questions that do not concern you stay out of the way. <span class="whitespace-nowrap"
        ><span class="font-bold text-clay" aria-hidden="true">*</span> means an answer is needed.</span
      >
    </p>
    <form
      novalidate
      onsubmit={(event) => event.preventDefault()}
      onfocusin={(event) =>
        (focused = (event.target as HTMLElement).closest<HTMLElement>("[data-key]")?.dataset.key ?? focused)}
    >
      {#each pages as page (page)}
        {#if pages.length > 1 && heading(node(page))}
          <h2 class="mt-8 text-lg font-semibold">{heading(node(page))}</h2>
        {/if}
        {#each held(page) as key (key)}
          {@const section = node(key)}
          <section id={`s-${key}`} class="appears mt-7" aria-label={heading(section) || undefined}>
            {#if section.type === "section" && section.title}
              <h2 class="text-[16.5px] font-semibold">{section.title}</h2>
              {#if section.help}<p class="soft mt-0.5">{section.help}</p>{/if}
            {/if}
            {#each rows(held(key), (item) => parts(node(item))) as row (row[0])}
              <div class="row">
                {#each row as item (item)}
                  {@const it = node(item)}
                  {@const state = sheet.states[item]}
                  {#if it.type === "field" && state?.type === "field"}
                    <div class="appears" style:--sixths={parts(it)}>
                      <Question
                        field={it}
                        stand={state}
                        typed={filling.typed[item] ?? ""}
                        message={filling.message(item, state)}
                        ontyped={(text) => filling.type(item, text)}
                        onleave={() => filling.left.add(item)}
                      />
                    </div>
                  {:else if it.type === "notice"}
                    <p
                      class="appears border-l-[3px] border-straw-line bg-straw px-3.5 py-2.5 text-[14.5px] whitespace-pre-wrap"
                      style:--sixths={6}
                    >
                      {state?.type === "notice" ? state.text : it.text}
                    </p>
                  {:else if it.type === "indicator" && state?.type === "indicator" && state.band}
                    <div class="appears text-[14.5px]" style:--sixths={6} role="status">
                      {#if it.label}<div class="mb-1 font-semibold">{it.label}</div>{/if}
                      <Banded bands={it.bands} band={state.band} />
                    </div>
                  {/if}
                {/each}
              </div>
            {/each}
          </section>
        {/each}
      {/each}
    </form>
  </main>
</div>
<p class="sr-only" role="status">{filling.news}</p>
<FinishBar {filling} onnext={async () => lead(await filling.next(focused))} onfinish={finish} />

<style>
  .row {
    display: grid;
    grid-template-columns: repeat(6, minmax(0, 1fr));
    column-gap: 16px;
    align-items: start;
  }

  .row > * {
    grid-column: span 6;
    margin-top: 16px;
  }

  @media (min-width: 560px) {
    .row > * {
      grid-column: span var(--sixths);
    }
  }

  @media (prefers-reduced-motion: no-preference) {
    .appears {
      animation: appear 0.18s ease-out;
    }

    @keyframes appear {
      from {
        opacity: 0;
        transform: translateY(-4px);
      }
    }
  }
</style>
