<script lang="ts">
  import { tick } from "svelte";
  import { workingCopy } from "../context";

  let { ground }: { ground: HTMLElement | undefined } = $props();

  const copy = workingCopy();
  type Thread = { from: [number, number]; to: [number, number]; followed: boolean };
  let threads = $state<Thread[]>([]);

  $effect(() => {
    const key = copy.selected;
    const bond = key ? copy.nodes.get(key)?.bond : undefined;
    void copy.revision;
    if (!ground || !key || !bond) {
      threads = [];
      return;
    }
    const area = ground;
    const draw = () => {
      const origin = area.getBoundingClientRect();
      const box = (id: string) => document.getElementById(id)?.getBoundingClientRect();
      const isMirrored = area.dir === "rtl";
      const span = (field: string, note: string, followed: boolean): Thread[] => {
        const from = box(`i-${field}`);
        const to = box(`n-${note}`);
        if (!from || !to) return [];
        return [
          {
            from: [
              (isMirrored ? from.left + 4 : from.right - 4) - origin.left,
              from.top + Math.min(26, from.height / 2) - origin.top,
            ],
            to: [
              (isMirrored ? to.right - 2 : to.left + 2) - origin.left,
              to.top + Math.min(28, to.height / 2) - origin.top,
            ],
            followed,
          },
        ];
      };
      threads = [
        ...bond.follows.flatMap((field) => span(field, key, false)),
        ...bond.followers.flatMap((note) => span(key, note, true)),
      ];
    };
    const watch = new ResizeObserver(draw);
    watch.observe(area);
    void tick().then(draw);
    return () => watch.disconnect();
  });

  const path = ({ from: [x1, y1], to: [x2, y2] }: Thread) => {
    const ahead = x2 < x1 - 100 ? -1 : 1;
    return `M${x1} ${y1} C ${x1 + ahead * 60} ${y1}, ${x2 - ahead * 40} ${y2}, ${x2} ${y2}`;
  };
</script>

<!-- Threads from a field to what follows it: solid for what the selected item follows, dashed for what follows it. -->
<svg class="pointer-events-none absolute top-0 left-0 h-px w-full overflow-visible" aria-hidden="true">
  {#each threads as thread, i (i)}
    <path
      d={path(thread)}
      fill="none"
      stroke="var(--color-thread)"
      stroke-width="1.5"
      stroke-dasharray={thread.followed ? "4 4" : undefined}
    />
    <circle cx={thread.from[0]} cy={thread.from[1]} r="3" fill="var(--color-thread)" />
    <circle cx={thread.to[0]} cy={thread.to[1]} r="3" fill="var(--color-thread)" />
  {/each}
</svg>
