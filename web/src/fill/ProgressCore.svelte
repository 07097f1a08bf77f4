<script lang="ts">
  import type { Progress } from "../api/types";

  let {
    progress,
    current,
    onlead,
  }: { progress: Progress[]; current: string | null; onlead: (section: string) => void } = $props();

  const words = ({ needed, asked }: Progress) =>
    needed ? `${needed} ${needed === 1 ? "answer" : "answers"} left` : asked ? "done" : "nothing needed";
  const share = ({ needed, asked }: Progress) => (asked ? (100 * (asked - needed)) / asked : 100);
  const here = $derived(progress.find(({ key }) => key === current) ?? progress[0]);
</script>

<!-- Like a drilled core: each section a length of it, filled as far as it is answered. -->
<nav class="not-printed core" aria-label="Progress">
  <ol class="flex gap-0.5 md:block">
    {#each progress as section (section.key)}
      {@const isHere = section.key === here?.key}
      <li class="flex min-w-0 flex-1 gap-3 md:min-h-[68px]">
        <span class="length" style:--share={`${share(section)}%`} aria-hidden="true"></span>
        <a
          href={`#s-${section.key}`}
          onclick={(event) => {
            event.preventDefault();
            onlead(section.key);
          }}
          class={["hover:underline max-md:sr-only", isHere && "font-semibold"]}
          aria-current={isHere ? "step" : undefined}
        >
          {section.title || "More questions"}
          <small class="block text-xs text-soft">{words(section)}</small>
        </a>
      </li>
    {/each}
  </ol>
  {#if here}
    <p class="mt-1.5 truncate text-chrome md:hidden" aria-hidden="true">
      <bdi class="font-semibold">{here.title || "More questions"}</bdi> <bdi class="soft">{words(here)}</bdi>
    </p>
  {/if}
</nav>

<style>
  .core {
    align-self: start;
    position: sticky;
    top: 24px;
    padding-top: 8px;
  }

  .length {
    flex: none;
    width: 14px;
    background: linear-gradient(var(--color-moss) 0 0) 0 0 / 100% var(--share) no-repeat
      var(--color-ground-deep);
    outline: 1px solid var(--color-edge);
    outline-offset: -1px;
  }

  @media (max-width: 767px) {
    .core {
      top: 0;
      z-index: 5;
      background: var(--color-ground);
      padding: 8px 16px 7px;
      border-bottom: 1px solid var(--color-line);
    }

    .length {
      width: 100%;
      height: 8px;
      background-size: var(--share) 100%;
    }
  }
</style>
