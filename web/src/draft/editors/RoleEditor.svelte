<script lang="ts">
  import Button from "../../ui/Button.svelte";
  import Input from "../../ui/Input.svelte";
  import type { Role } from "../../api/types";
  import ConditionEditor from "../conditions/ConditionEditor.svelte";
  import { workingCopy } from "../context";
  import NewClause from "../conditions/NewClause.svelte";

  let { role }: { role: Role } = $props();

  const copy = workingCopy();
  let adding = $state(false);

  /** Changes the role as it stands when the edit's turn has come. */
  const put = (change: (now: Role) => Partial<Role>) =>
    copy.edit(() => {
      const now = copy.settings!.roles.find((it) => it.role.key === role.key)!.role;
      return { type: "putRole", role: { ...now, ...change(now) } };
    });
</script>

<!-- One role: its turn, its name, and when it takes part. -->
<div class="flex items-center gap-1">
  <Input
    look="token value"
    width="3.5rem"
    type="number"
    min="0"
    aria-label={`Turn of ${role.name}`}
    title="Its turn; the same number is the same time"
    shows={role.order}
    onchange={(event) => {
      const order = event.currentTarget.valueAsNumber;
      if (Number.isInteger(order)) void put(() => ({ order }));
    }}
  />
  <Input
    look="token value"
    class="min-w-0 grow"
    aria-label="Name of the role"
    shows={role.name}
    onchange={(event) => {
      const name = event.currentTarget.value.trim();
      void put(() => ({ name }));
    }}
  />
  <Button
    look="token faint"
    aria-label={`Take ${role.name} away`}
    onclick={() => copy.edit({ type: "removeRole", key: role.key, dropFollowers: false })}>×</Button
  >
</div>
<div class="leading-[30px]">
  takes part
  {#if role.takesPart}
    when
    <ConditionEditor
      condition={role.takesPart}
      onchange={(of) => put(({ takesPart }) => ({ takesPart: takesPart && of(takesPart) }))}
    />
  {:else if adding}
    when <NewClause
      except={[]}
      onadd={(takesPart) => {
        adding = false;
        void put(() => ({ takesPart }));
      }}
      oncancel={() => (adding = false)}
    />
  {:else}
    always <Button look="token add" onclick={() => (adding = true)}>only when …</Button>
  {/if}
</div>
