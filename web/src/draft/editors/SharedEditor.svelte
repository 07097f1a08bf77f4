<script lang="ts">
  import Button from "../../ui/Button.svelte";
  import Input from "../../ui/Input.svelte";
  import type { Condition } from "../../api/types";
  import ConditionEditor from "../conditions/ConditionEditor.svelte";
  import { workingCopy } from "../context";
  import EditorLine from "./EditorLine.svelte";
  import NewClause from "../conditions/NewClause.svelte";

  const copy = workingCopy();
  const named = $derived([...copy.shared.values()].filter(({ name }) => name));
  let naming = $state("");
  let adding = $state(false);

  function add(condition: Condition) {
    adding = false;
    void copy.edit({ type: "newShared", name: naming, condition }).then((done) => done && (naming = ""));
  }
</script>

<EditorLine title="Shared conditions" wide>
  {#each named as shared (shared.key)}
    <div class="mb-2">
      <div class="flex items-center gap-1">
        <Input
          look="token value"
          class="min-w-0 grow"
          aria-label="Name of the shared condition"
          shows={shared.name}
          onchange={(event) =>
            copy.edit({
              type: "setShared",
              key: shared.key,
              name: event.currentTarget.value,
              condition: shared.condition,
            })}
        />
        <Button
          look="token"
          title="Write it out wherever it is used"
          onclick={() => copy.edit({ type: "inline", condition: shared.key })}>write out</Button
        >
        <Button
          look="token faint"
          aria-label={`Take ${shared.name} away`}
          onclick={() => copy.edit({ type: "removeShared", key: shared.key, dropFollowers: false })}>×</Button
        >
      </div>
      holds when
      <ConditionEditor
        condition={shared.condition}
        onchange={(of) =>
          copy.edit(() => {
            const now = copy.shared.get(shared.key) ?? shared;
            return {
              type: "setShared",
              key: now.key,
              name: now.name,
              condition: of(now.condition) ?? { type: "never" },
            };
          })}
      />
    </div>
  {/each}
  {#if adding}
    holds when <NewClause except={[]} onadd={add} oncancel={() => (adding = false)} />
  {:else}
    <Input
      look="token add"
      size={22}
      aria-label="Name of a new shared condition"
      placeholder="name of a new one"
      bind:value={naming}
      onkeydown={(event) => event.key === "Enter" && naming.trim() && (adding = true)}
    />
    {#if naming.trim()}<Button look="token" onclick={() => (adding = true)}>holds when …</Button>{/if}
  {/if}
</EditorLine>
