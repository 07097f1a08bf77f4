<script lang="ts">
  import type { Component } from "svelte";
  import { router } from "./router.svelte";
  import { beginDraft } from "./draft/firstDraft";
  import { session } from "./session.svelte";
  import NotOpened from "./document/NotOpened.svelte";
  import Confirmation from "./ui/Confirmation.svelte";

  /** A page, loaded when it is first looked at, and what it is about. */
  // eslint-disable-next-line @typescript-eslint/no-explicit-any -- each page has properties of its own
  type Page = { load: () => Promise<{ default: Component<any> }>; about?: Record<string, unknown> };

  const ready = session.load();
  // Most who come are signed in: their page is fetched while the server is asked who they are.
  void pageAt(router.path, "somebody")
    .load()
    .catch(() => {});

  const author = $derived(session.value?.author);
  const page = $derived(pageAt(router.path, author));

  /** The page for an address, as whoever is signed in sees it. */
  function pageAt(path: string, author: string | null | undefined): Page {
    const [part, which = "", view = "", item = ""] = path.split("/").filter(Boolean);
    if (part === "reset" && which)
      return { load: () => import("./pages/SetPassword.svelte"), about: { link: which } };
    if (!author)
      return {
        load: () => import("./pages/SignIn.svelte"),
        about: { setupLink: part === "setup" ? which : "" },
      };
    if (part === "templates" && which) return viewOf(which, view, item);
    if (part === "dispatches" && which)
      return { load: () => import("./pages/DispatchView.svelte"), about: { id: which } };
    switch (part) {
      case "account":
        return { load: () => import("./pages/Account.svelte") };
      case "dispatches":
        return { load: () => import("./pages/Dispatches.svelte") };
      case "lookups":
        return { load: () => import("./pages/Lookups.svelte") };
      case "people":
        return { load: () => import("./pages/People.svelte") };
      case "outside":
        return { load: () => import("./pages/Outside.svelte") };
      default:
        return { load: () => import("./pages/Templates.svelte") };
    }
  }

  /** A view of a template. */
  function viewOf(template: string, view: string, item: string): Page {
    switch (view) {
      case "records":
        return item
          ? {
              load: () => import("./pages/RecordPage.svelte"),
              about: { template, number: Number(item) },
            }
          : { load: () => import("./pages/Records.svelte"), about: { template } };
      case "reach":
        return drafted(() => import("./pages/Reach.svelte"), template);
      case "prove":
        return drafted(() => import("./pages/Prove.svelte"), template);
      case "signers":
        return drafted(() => import("./pages/Signers.svelte"), template);
      case "send":
        return { load: () => import("./pages/Send.svelte"), about: { template } };
      case "release":
        return { load: () => import("./pages/Release.svelte"), about: { template } };
      default:
        return drafted(() => import("./pages/Draft.svelte"), template);
    }
  }

  /** A view of the draft, which is asked for beside it. */
  function drafted(load: Page["load"], template: string): Page {
    return {
      load: () => {
        beginDraft(template);
        return load();
      },
      about: { template },
    };
  }
</script>

{#snippet notOpened(problem: unknown)}
  <main class="mx-auto mt-24 max-w-md text-center">
    <h1 class="text-lg font-semibold">Loesscape cannot be opened</h1>
    <div class="mt-2"><NotOpened {problem} /></div>
  </main>
{/snippet}

{#await ready then}
  {#await page.load() then { default: Page }}
    {#key page}<Page {...page.about} />{/key}
  {:catch problem}
    {@render notOpened(problem)}
  {/await}
{:catch problem}
  {@render notOpened(problem)}
{/await}
<Confirmation />
