<script lang="ts">
  let { met }: { met: boolean } = $props();
</script>

<span class={["now", met ? "yes" : "no"]}>{met ? "now" : "not now"}</span>

<style>
  .now {
    display: inline-block;
    border-radius: 8px;
    padding: 0 7px;
    font: 600 var(--text-note)/1.5 var(--font-chrome);
    white-space: nowrap;
  }

  .yes {
    background: var(--color-moss-tint);
    color: var(--color-moss);
  }

  .no {
    background: var(--color-not-now);
    color: var(--color-straw-ink);
  }
</style>
