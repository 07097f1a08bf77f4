<script lang="ts">
  import Button from "../ui/Button.svelte";
  import type { Snippet } from "svelte";
  import { inside, router } from "../router.svelte";
  import { session } from "../session.svelte";

  let {
    title = "",
    note = "",
    template,
    view,
    children,
  }: { title?: string; note?: string; template?: string; view?: string; children?: Snippet } = $props();

  const isAuthor = $derived(session.value?.role === "author");
  const views = $derived([
    ...(isAuthor
      ? [
          { name: "Draft", path: "" },
          { name: "Reach", path: "/reach" },
          { name: "Prove", path: "/prove" },
          { name: "Signers", path: "/signers" },
          { name: "Release", path: "/release" },
        ]
      : []),
    ...(session.value?.role === "reader" ? [] : [{ name: "Send", path: "/send" }]),
    { name: "Records", path: "/records" },
  ]);
  const parts = $derived([
    { name: "Templates", path: "/templates" },
    { name: "Dispatches", path: "/dispatches" },
    ...(isAuthor ? [{ name: "Lookups", path: "/lookups" }] : []),
    ...(isAuthor ? [{ name: "People", path: "/people" }] : []),
    ...(isAuthor ? [{ name: "Outside", path: "/outside" }] : []),
  ]);

  async function signOut() {
    await session.signOut();
    router.go("/");
  }
</script>

<header class="flex h-12 items-center gap-2 bg-spruce px-4 sm:gap-4 text-spruce-ink">
  <a
    href="/templates"
    {@attach inside}
    class="shrink-0 rounded-md"
    aria-label="All templates"
    title="All templates"
  >
    <img src="/logo.svg" alt="" width="26" height="26" />
  </a>
  {#if template}
    <a
      href={`/templates/${template}`}
      {@attach inside}
      class="max-w-72 min-w-16 truncate text-sheet font-semibold"
      {title}>{title}</a
    >
    {#if note}<span class="text-xs whitespace-nowrap text-spruce-soft">{note}</span>{/if}
    <nav class="ml-1 flex h-full min-w-0 gap-0.5 overflow-x-auto" aria-label="Views of this template">
      {#each views as { name, path } (name)}
        <a
          href={`/templates/${template}${path}`}
          {@attach inside}
          aria-current={view === name ? "page" : undefined}
          class="flex h-12 items-center border-b-[3px] border-transparent px-3 pt-[3px] text-spruce-link hover:text-white aria-[current]:border-gold aria-[current]:font-semibold aria-[current]:text-white"
          >{name}</a
        >
      {/each}
    </nav>
  {:else}
    <nav class="flex h-full min-w-0 gap-0.5 overflow-x-auto" aria-label="Parts of Loesscape">
      {#each parts as { name, path } (name)}
        <a
          href={path}
          {@attach inside}
          aria-current={title === name ? "page" : undefined}
          class="flex h-12 items-center border-b-[3px] border-transparent px-3 pt-[3px] text-spruce-link hover:text-white aria-[current]:border-gold aria-[current]:font-semibold aria-[current]:text-white"
          >{name}</a
        >
      {/each}
    </nav>
  {/if}
  <div class="ml-auto flex shrink-0 items-center gap-2">
    {@render children?.()}
    {#if !template}
      <a
        class="text-xs text-spruce-soft underline-offset-2 hover:underline max-sm:hidden"
        href="/account"
        title="Your account"
        {@attach inside}>{session.value?.author}</a
      >
      <Button look="on spruce" onclick={signOut}>Sign out</Button>
    {/if}
  </div>
</header>
