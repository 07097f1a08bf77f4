<script lang="ts" module>
  /** The pad on which signatures are drawn, in its own units. */
  export const PAD = { width: 320, height: 96 };
  export const isDrawn = (typed: string): boolean => /^M\d+ \d/.test(typed);
  export const isPicture = (typed: string): boolean => typed.startsWith("data:image/png;base64,");
</script>

<script lang="ts">
  let { typed, label }: { typed: string; label: string } = $props();
</script>

<!-- A signature that was given: the path of a pen, a picture, or a name. -->
<svg
  viewBox={`0 0 ${PAD.width} ${PAD.height}`}
  class="block w-full max-w-[240px]"
  role="img"
  aria-label={`Signed: ${label}`}
>
  <path d={`M14 ${PAD.height - 20}H${PAD.width - 14}`} stroke="var(--color-edge)" />
  {#if isDrawn(typed)}
    <path d={typed} class="pen" />
  {:else if isPicture(typed)}
    <image
      href={typed}
      x="14"
      y="4"
      width={PAD.width - 28}
      height={PAD.height - 26}
      preserveAspectRatio="xMinYMax"
    />
  {:else}
    <text x="20" y={PAD.height - 28} class="name">{typed}</text>
  {/if}
</svg>

<style>
  .pen {
    fill: none;
    stroke: var(--color-pen);
    stroke-width: 2.2;
    stroke-linecap: round;
    stroke-linejoin: round;
  }

  .name {
    font: italic 30px var(--font-margin, "Source Serif 4 Variable", serif);
    fill: var(--color-pen);
  }
</style>
