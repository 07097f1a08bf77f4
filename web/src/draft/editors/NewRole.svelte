<script lang="ts">
  import Input from "../../ui/Input.svelte";
  import { workingCopy } from "../context";

  const copy = workingCopy();
  let name = $state("");

  function add(event: Event) {
    event.preventDefault();
    if (!name.trim()) return;
    const order = Math.max(0, ...(copy.settings?.roles ?? []).map(({ role }) => role.order)) + 1;
    void copy
      .edit({ type: "putRole", role: { key: "", name: name.trim(), order, takesPart: null } })
      .then((done) => done && (name = ""));
  }
</script>

<form onsubmit={add}>
  <Input
    look="token add"
    size={22}
    aria-label="Name of a new role"
    placeholder="another role"
    bind:value={name}
  />
</form>
