<script lang="ts">
  import type { Indicator, Sign } from "../api/types";
  import { lookClass, lookStyle } from "./looks";
  import Mark from "./Mark.svelte";

  let { indicator, band }: { indicator: Indicator; band: string | null } = $props();

  const sign = $derived.by<Sign | undefined>(() => {
    if (indicator.presence)
      return band === "answered" ? indicator.presence.answered : indicator.presence.blank;
    return (
      indicator.bands.find(({ id }) => id === band) ??
      indicator.choices.find(({ choice }) => choice === band)?.sign
    );
  });
</script>

{#if sign?.label}
  <span
    class={[
      "inline-flex items-center gap-[7px] rounded-md border px-2.5 py-1",
      sign.look.bold || "font-medium",
      sign.look.shade === "plain" && !sign.look.colours && "border-transparent pl-0",
      lookClass(sign.look),
    ]}
    style={lookStyle(sign.look)}
  >
    <Mark mark={sign.look.mark} />{sign.label}
  </span>
{/if}
