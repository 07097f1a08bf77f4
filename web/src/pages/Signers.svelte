<script lang="ts">
  import Busy from "../ui/Busy.svelte";
  import Alert from "../ui/Alert.svelte";
  import { lookedThrough } from "../draft/lookedThrough.svelte";
  import Button from "../ui/Button.svelte";
  import { setContext } from "svelte";
  import { ownHeaders } from "../api/http";
  import { FILES, keeperAt } from "../document/files";
  import { provide } from "../draft/context";
  import NewRole from "../draft/editors/NewRole.svelte";
  import RoleEditor from "../draft/editors/RoleEditor.svelte";
  import { WorkingCopy } from "../draft/workingCopy.svelte";
  import type { Role } from "../api/types";
  import { router } from "../router.svelte";
  import TopBar from "./TopBar.svelte";
  import NotOpened from "../document/NotOpened.svelte";

  let { template }: { template: string } = $props();

  // svelte-ignore state_referenced_locally (the page is made anew for another template)
  const copy = provide(new WorkingCopy(template));
  const opened = copy.open();
  lookedThrough(copy);
  // svelte-ignore state_referenced_locally
  setContext(
    FILES,
    keeperAt(`/api/templates/${template}/draft/files`, `/api/templates/${template}/pictures`, ownHeaders),
  );

  /** Which role the fields that are pointed at are given to; null for none, and then clicking picks fields. */
  let giving = $state<string | null>(null);
  let picked = $state<string[]>([]);
  /** Whose turn is looked at; empty for nobody's. */
  let turn = $state("");

  const roles = $derived((copy.settings?.roles ?? []).map(({ role }) => role));
  const first = $derived(
    roles.reduce((a: Role | undefined, b) => (!a || b.order < a.order ? b : a), undefined),
  );
  const sections = $derived(
    copy
      .inside("")
      .flatMap((page) => copy.inside(page))
      .map((key) => ({
        key,
        fields: copy.within(key).filter((it) => copy.nodes.get(it)?.node.type === "field"),
      }))
      .filter(({ fields }) => fields.length),
  );
  const fields = $derived(sections.flatMap((section) => section.fields));
  const findings = $derived(copy.findings.filter(({ topic }) => topic === "signing"));
  const SIGNS = {
    signature: "signature",
    initials: "initials",
    dateSigned: "day",
    payment: "payment",
  } as const;

  const roleOf = (key: string) => {
    const node = copy.nodes.get(key)?.node;
    return node?.type === "field" ? node.role : "";
  };
  const kindOf = (key: string) => {
    const node = copy.nodes.get(key)?.node;
    return node?.type === "field" ? node.kind.type : "";
  };
  const count = (role: string) => fields.filter((key) => roleOf(key) === role).length;

  function give(keys: string[], role: string) {
    if (keys.length) void copy.edit({ type: "setRole", keys, role }).then((done) => done && (picked = []));
  }

  function press(key: string) {
    if (giving !== null) give([key], roleOf(key) === giving ? "" : giving);
    else picked = picked.includes(key) ? picked.filter((it) => it !== key) : [...picked, key];
  }

  async function see(role: string) {
    turn = role;
    await copy.seeAs("filling", role);
  }

  /** How a field stands for the role whose turn is looked at. */
  function seen(key: string): string {
    const state = copy.nodes.get(key)?.state;
    if (!turn || state?.type !== "field") return "";
    if (!state.shown) return "folded";
    const owner = roleOf(key) || first?.key;
    if (state.editable && owner === turn) return state.required ? "to answer, required" : "to answer";
    return state.value.type === "blank" ? "" : "to read";
  }
</script>

<svelte:head><title>Signers · {copy.title} · Loesscape</title></svelte:head>

<div class="grid min-h-screen grid-cols-[minmax(0,1fr)] grid-rows-[48px_1fr]">
  <TopBar title={copy.title} {template} view="Signers">
    <Button look="on spruce" aria-label="Undo" disabled={!copy.canUndo} onclick={copy.undo}>↶</Button>
    <Button look="on spruce" aria-label="Redo" disabled={!copy.canRedo} onclick={copy.redo}>↷</Button>
  </TopBar>
  {#await opened}
    <Busy whole>Opening …</Busy>
  {:then}
    <main
      class="grid grid-cols-[minmax(0,1fr)] content-start gap-6 px-4 py-5 sm:px-6 md:grid-cols-[minmax(320px,420px)_minmax(0,1fr)]"
    >
      <section aria-label="Roles">
        <h1 class="text-reading font-semibold">Roles, in the order of their turns</h1>
        <p class="soft">The same number is the same time.</p>
        {#each roles as role (role.key)}
          <div class={["role", giving === role.key && "giving"]}>
            <RoleEditor {role} />
            <div class="mt-2 flex flex-wrap gap-2">
              <Button
                pressed={giving === role.key}
                onclick={() => (giving = giving === role.key ? null : role.key)}
                >{giving === role.key
                  ? "Point at fields; press again to end"
                  : `Give fields (${count(role.key)})`}</Button
              >
              {#if picked.length}<Button onclick={() => give(picked, role.key)}
                  >Give the {picked.length} picked</Button
                >{/if}
              <Button pressed={turn === role.key} onclick={() => see(turn === role.key ? "" : role.key)}
                >See its turn</Button
              >
            </div>
          </div>
        {/each}
        <div class="mt-3"><NewRole /></div>
        {#if copy.refused}
          <Alert class="mt-3">{copy.refused.message}</Alert>
          {#if copy.refused.failed}
            <Button onclick={() => copy.tryAgain()}>Try again</Button>
          {/if}
        {/if}
        {#if findings.length}
          <h2 class="mt-5 font-semibold">Worth a look</h2>
          <ul class="mt-1 grid gap-1.5">
            {#each findings as { key, message }, i (i)}
              <li class="rounded-md border border-straw-line bg-straw px-3 py-1.5">
                {#if key && copy.nodes.has(key)}<b>{copy.view(key).name}:</b>{/if}
                {message}
              </li>
            {/each}
          </ul>
        {/if}
      </section>
      <section
        class={["rounded-xl border bg-paper px-6 py-4", giving !== null && "pointing"]}
        aria-label="Fields"
      >
        <div class="flex flex-wrap items-baseline gap-x-3">
          <h2 class="text-reading font-semibold">{copy.title}</h2>
          <p class="soft" role="status">
            {#if turn}As {roles.find(({ key }) => key === turn)?.name} sees it with the answers tried out{:else if giving !== null}Click
              a field to give it to {roles.find(({ key }) => key === giving)?.name}{:else}Click fields to pick
              them, then give them{/if}
          </p>
        </div>
        {#each sections as { key, fields: held } (key)}
          <div class="mt-4 flex items-center gap-3">
            <h3 class="font-semibold">{copy.view(key).name}</h3>
            {#if giving !== null}<Button onclick={() => give(held, giving!)}>Give all {held.length}</Button
              >{/if}
            <Button
              look="underlined"
              class="soft"
              onclick={() => router.go(`/templates/${template}`)}
              title="Its logic is written in the Draft view">Draft</Button
            >
          </div>
          <ul class="mt-1">
            {#each held as field (field)}
              {@const role = roleOf(field)}
              {@const kind = kindOf(field)}
              <li>
                <Button
                  look="bare"
                  aria-pressed={giving === null ? picked.includes(field) : role === giving}
                  class={["field", picked.includes(field) && "picked", seen(field) === "folded" && "off"]}
                  onclick={() => press(field)}
                >
                  <span class="min-w-0 truncate">{copy.view(field).name}</span>
                  {#if kind in SIGNS}<span class="soft">{SIGNS[kind as keyof typeof SIGNS]}</span>{/if}
                  {#if seen(field)}<span class="seen">{seen(field)}</span>{/if}
                  <span class={["owner", !role && "nobody"]}
                    >{roles.find((it) => it.key === role)?.name ??
                      (first ? `nobody: ${first.name}` : "nobody")}</span
                  >
                </Button>
              </li>
            {/each}
          </ul>
        {:else}
          <p class="soft mt-4">The document has no fields yet.</p>
        {/each}
      </section>
    </main>
  {:catch problem}
    <div class="p-10"><NotOpened {problem} /></div>
  {/await}
</div>

<style>
  .role {
    margin-top: 12px;
    border: 1px solid var(--color-line);
    border-radius: var(--radius-lg);
    background: var(--color-paper);
    padding: 10px 14px 12px;
  }

  .role.giving {
    border-color: var(--color-river);
    outline: 2px solid var(--color-river-tint);
  }

  ul :global(.field) {
    display: flex;
    width: 100%;
    align-items: baseline;
    gap: 10px;
    border-radius: var(--radius-md);
    padding: 4px 8px;
    text-align: left;
  }

  ul :global(.field:hover),
  ul :global(.field.picked) {
    background: var(--color-straw);
  }

  ul :global(.field.picked) {
    outline: 1px solid var(--color-straw-line);
  }

  ul :global(.field.off) {
    color: var(--color-soft);
    font-style: italic;
  }

  .pointing :global(.field) {
    cursor: crosshair;
  }

  .owner {
    margin-left: auto;
    max-width: 45%;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
    border-radius: var(--radius-md);
    background: var(--color-ground-deep);
    padding: 0 8px;
    font-weight: 600;
    font-size: var(--text-note);
  }

  .owner.nobody {
    background: none;
    color: var(--color-soft);
    font-weight: 400;
  }

  .seen {
    font: var(--text-note) var(--font-chrome);
    color: var(--color-river);
  }
</style>
