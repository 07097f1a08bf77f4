<script lang="ts">
  import type { Indicator, Sign } from "../api/types";
  import { getContext } from "svelte";
  import { FILES, type FileKeeper } from "./files";
  import { lookClass, lookStyle } from "./looks";
  import Mark from "./Mark.svelte";

  let { indicator, band }: { indicator: Indicator; band: string | null } = $props();

  const files = getContext<FileKeeper>(FILES);
  const sign = $derived.by<Sign | undefined>(() => {
    if (indicator.presence)
      return band === "answered" ? indicator.presence.answered : indicator.presence.blank;
    return (
      indicator.bands.find(({ id }) => id === band) ??
      indicator.choices.find(({ choice }) => choice === band)?.sign
    );
  });
</script>

{#if sign && (sign.label || sign.picture)}
  <span
    class={[
      "inline-flex items-center gap-[7px] rounded-md border px-2.5 py-1",
      sign.look.bold || "font-medium",
      sign.look.shade === "plain" && !sign.look.colours && "border-transparent ps-0",
      lookClass(sign.look),
    ]}
    style={lookStyle(sign.look)}
  >
    {#if sign.picture}<img
        src={files.picture(sign.picture)}
        alt={sign.label ? "" : indicator.label}
        class="max-h-10 max-w-40"
      />{:else}<Mark mark={sign.look.mark} />{/if}{sign.label}
  </span>
{/if}
