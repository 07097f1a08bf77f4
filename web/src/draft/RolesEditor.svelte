<script lang="ts">
  import type { Condition, Role } from "../api/types";
  import ConditionEditor from "./ConditionEditor.svelte";
  import { workingCopy } from "./context";
  import EditorLine from "./EditorLine.svelte";
  import NewClause from "./NewClause.svelte";

  const copy = workingCopy();
  const roles = $derived((copy.settings?.roles ?? []).map(({ role }) => role));
  let adding = $state<string | null>(null);
  let name = $state("");

  const put = (key: string, part: Partial<Role>) =>
    copy.edit(() => {
      const now = copy.settings!.roles.find(({ role }) => role.key === key)!.role;
      return { type: "putRole", role: { ...now, ...part } };
    });

  function add(event: Event) {
    event.preventDefault();
    if (!name.trim()) return;
    const order = Math.max(0, ...roles.map((role) => role.order)) + 1;
    void copy
      .edit({ type: "putRole", role: { key: "", name: name.trim(), order, takesPart: null } })
      .then((done) => done && (name = ""));
  }

  function take(key: string, when: Condition) {
    adding = null;
    void put(key, { takesPart: when });
  }
</script>

<EditorLine title="Roles" wide>
  {#each roles as role (role.key)}
    <div class="mb-2">
      <div class="flex items-center gap-1">
        <input
          class="token value w-14"
          type="number"
          min="0"
          aria-label={`Turn of ${role.name}`}
          title="Its turn; the same number is the same time"
          value={role.order}
          onchange={(event) => {
            const order = event.currentTarget.valueAsNumber;
            if (Number.isInteger(order)) void put(role.key, { order });
          }}
        />
        <input
          class="token value min-w-0 grow"
          aria-label="Name of the role"
          value={role.name}
          onchange={(event) => put(role.key, { name: event.currentTarget.value.trim() })}
        />
        <button
          type="button"
          class="token bare"
          aria-label={`Take ${role.name} away`}
          onclick={() => copy.edit({ type: "removeRole", key: role.key, dropFollowers: false })}>×</button
        >
      </div>
      takes part
      {#if role.takesPart}
        when
        <ConditionEditor
          condition={role.takesPart}
          onchange={(of) =>
            copy.edit(() => {
              const now = copy.settings!.roles.find((it) => it.role.key === role.key)!.role;
              return { type: "putRole", role: { ...now, takesPart: now.takesPart && of(now.takesPart) } };
            })}
        />
      {:else if adding === role.key}
        when <NewClause except={[]} onadd={(when) => take(role.key, when)} oncancel={() => (adding = null)} />
      {:else}
        always <button type="button" class="token add" onclick={() => (adding = role.key)}>only when …</button
        >
      {/if}
    </div>
  {/each}
  <form onsubmit={add}>
    <input
      class="token add"
      size="22"
      aria-label="Name of a new role"
      placeholder="another role"
      bind:value={name}
    />
  </form>
</EditorLine>
