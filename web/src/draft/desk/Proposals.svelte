<script lang="ts">
  import { SvelteSet } from "svelte/reactivity";
  import type { Found } from "../../api/types";
  import Button from "../../ui/light/Button.svelte";
  import { NOVELTIES } from "../kinds";
  import type { Placing } from "../placing.svelte";
  import { byWay, kindOf, titleOf, WAYS } from "../proposals";

  let { placing }: { placing: Placing } = $props();

  const { proposals, found } = $derived(placing);
  const open = new SvelteSet<Found>();
  const toggle = (way: Found) => open.delete(way) || open.add(way);
  const kindName = (id: string) => NOVELTIES.find((it) => it.id === id)?.label ?? id;
</script>

<!-- What looks as if it were to be filled in: taken or left one by one, by the way it was found, or all at once. -->
{#if proposals.length}
  <section class="proposals" aria-label="Proposed places">
    <header>
      <h4>{proposals.length === 1 ? "1 place is proposed" : `${proposals.length} places are proposed`}</h4>
      <Button look="primary" onclick={() => placing.take(proposals)}>Take all</Button>
      <Button look="token" onclick={() => placing.leave(proposals)}>Leave all</Button>
    </header>
    {#each byWay(proposals) as [way, all] (way)}
      <div class="way">
        <Button look="bare" class="grow text-start" aria-expanded={open.has(way)} onclick={() => toggle(way)}>
          <span class="sign" aria-hidden="true">{open.has(way) ? "▾" : "▸"}</span>
          {WAYS[way]} <span class="soft">{all.length}</span>
        </Button>
        <Button look="token" aria-label={`Take all: ${WAYS[way]}`} onclick={() => placing.take(all)}
          >Take</Button
        >
        <Button look="token" aria-label={`Leave all: ${WAYS[way]}`} onclick={() => placing.leave(all)}
          >Leave</Button
        >
      </div>
      {#if open.has(way)}
        <ul>
          {#each all as proposal (proposal.number)}
            <li
              class={placing.shown === proposal.number ? "shown" : ""}
              onpointerenter={() => (placing.shown = proposal.number)}
              onpointerleave={() => (placing.shown = null)}
              onfocusin={() => (placing.shown = proposal.number)}
            >
              <span class="words">
                {titleOf(proposal)} <span class="soft">{kindName(kindOf(proposal))}</span>
              </span>
              <Button
                look="token"
                aria-label={`Take: ${titleOf(proposal)}`}
                onclick={() => placing.take([proposal])}>Take</Button
              >
              <Button
                look="token"
                aria-label={`Leave: ${titleOf(proposal)}`}
                onclick={() => placing.leave([proposal])}>Leave</Button
              >
            </li>
          {/each}
        </ul>
      {/if}
    {/each}
  </section>
{/if}
{#if found?.left.length}
  <p class="soft text-note">
    {found.left.length === 1 ? "1 proposal was left." : `${found.left.length} proposals were left.`}
    <Button look="underlined" onclick={() => placing.leave([])}>Propose them again</Button>
  </p>
{/if}

<style>
  .proposals {
    margin-block: 6px;
    padding-top: 6px;
    border-top: 1px solid var(--color-hairline);
    font-size: var(--text-note);
  }

  header,
  .way,
  li {
    display: flex;
    gap: 6px;
    align-items: center;
  }

  header {
    margin-bottom: 4px;
  }

  h4 {
    flex: 1;
    font-weight: 600;
  }

  .way {
    padding-block: 3px;
  }

  .sign {
    display: inline-block;
    width: 12px;
    color: var(--color-soft);
  }

  ul {
    max-height: 260px;
    overflow-y: auto;
    margin: 0 0 4px 16px;
  }

  li {
    padding: 2px 4px;
    border-radius: 3px;
  }

  li.shown {
    background: rgb(210 160 42 / 15%);
  }

  .words {
    flex: 1;
    min-width: 0;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
</style>
