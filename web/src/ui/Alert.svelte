<script lang="ts">
  import Flowbite from "flowbite-svelte/Alert.svelte";
  import type { Snippet } from "svelte";
  import type { ClassValue } from "svelte/elements";
  import { ALERT_LOOKS, type AlertLook } from "./looks";

  let {
    look = "line",
    class: place,
    children,
  }: { look?: AlertLook; class?: ClassValue; children: Snippet } = $props();

  /** It stands there at once: what went wrong is no place for motion. */
  const STILL = { color: "none" as never, rounded: false, border: false, params: { duration: 0 } };
</script>

<!-- What has to be known now, and is read out where it appears: at once where something is wrong, else when there is time. -->
<Flowbite
  {...STILL}
  role={look === "done" || look === "note" ? "status" : "alert"}
  class={["p-0 text-chrome", ALERT_LOOKS[look], place]}
>
  {@render children()}
</Flowbite>
