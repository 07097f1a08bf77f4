<script lang="ts">
  import { tick } from "svelte";
  import type { Finding } from "../../api/types";
  import Button from "../../ui/Button.svelte";
  import Input from "../../ui/Input.svelte";
  import { workingCopy } from "../context";

  let { finding, onclose }: { finding: Finding; onclose: () => void } = $props();

  const copy = workingCopy();
  let reason = $state("");
  let input = $state<HTMLInputElement>();
  const wanted = $derived(reason.trim());

  void tick().then(() => input?.focus());

  async function accept(event: Event) {
    event.preventDefault();
    if (wanted && (await copy.accept(finding, wanted))) onclose();
  }
</script>

<!-- Says why something that was found is meant. -->
<form class="mt-1 flex flex-wrap items-center gap-1" onsubmit={accept}>
  <Input
    bind:element={input}
    bind:value={reason}
    width="min(26rem, 100%)"
    maxlength={1000}
    aria-label="Why it is meant"
    placeholder="Why it is meant; it stays quiet until this changes"
    onkeydown={(event) => {
      if (event.key === "Escape") {
        event.stopPropagation();
        onclose();
      }
    }}
  />
  <Button type="submit" look="token" disabled={!wanted}>Accept</Button>
  <Button look="token faint" onclick={onclose}>Leave it</Button>
</form>
