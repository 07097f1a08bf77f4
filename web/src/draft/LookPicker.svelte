<script lang="ts">
  import type { Look, Mark, Shade } from "../api/types";
  import Picker from "./Picker.svelte";

  let { look, of, onchange }: { look: Look; of: string; onchange: (change: Partial<Look>) => void } =
    $props();

  const SHADES: Shade[] = ["plain", "moss", "river", "straw", "ochre", "clay", "stone"];
  const MARKS: Mark[] = ["none", "tick", "drop", "eye", "warning", "stop"];
</script>

<Picker
  label={`Colours of ${of}`}
  text={look.colours ? "own colours" : look.shade}
  options={SHADES.map((id) => ({ id, label: id, swatch: `shade-${id}` }))}
  chosen={[look.shade]}
  onpick={(shade) => onchange({ shade: shade as Shade, colours: null })}
/>
<Picker
  label={`Mark of ${of}`}
  text={look.mark === "none" ? "no mark" : look.mark}
  options={MARKS.map((id) => ({ id, label: id === "none" ? "no mark" : id }))}
  chosen={[look.mark]}
  onpick={(mark) => onchange({ mark: mark as Mark })}
/>
<button
  type="button"
  class={["token plain", look.bold && "on"]}
  aria-pressed={look.bold}
  onclick={() => onchange({ bold: !look.bold })}>bold</button
>
