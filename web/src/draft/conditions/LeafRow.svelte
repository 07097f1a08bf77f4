<script lang="ts">
  import Button from "../../ui/Button.svelte";
  import Input from "../../ui/Input.svelte";
  import type { Condition, Field, OrderTest, Quantity, Stage } from "../../api/types";
  import { type Clause, ORDERS, type Group, operand, side } from "./clauses";
  import { workingCopy } from "../context";
  import FormulaInput from "./FormulaInput.svelte";
  import GroupEditor from "./GroupEditor.svelte";
  import Picker from "../../ui/Picker.svelte";
  import SideEditor from "./SideEditor.svelte";

  type Leaf = Exclude<Condition, Clause | Group>;
  type Change = (now: Condition) => Condition | null;

  let {
    leaf,
    except,
    rows,
    onchange,
    onremove,
  }: {
    leaf: Leaf;
    except: string[];
    /** The repeating section whose row is at hand; null outside of rows. */
    rows: string | null;
    onchange: (change: Change) => void;
    onremove: () => void;
  } = $props();

  const copy = workingCopy();
  const STAGES = (["filling", "reviewing", "finished", "print"] as const).map((id) => ({ id, label: id }));
  const QUANTITIES = [
    { id: "any", label: "any row" },
    { id: "every", label: "every row" },
    { id: "no", label: "no row" },
  ];
  const roles = $derived(
    (copy.settings?.roles ?? []).map(({ role }) => ({ id: role.key, label: role.name })),
  );
  const named = $derived(
    [...copy.shared.values()].flatMap(({ key, name }) => (name ? [{ id: key, label: name }] : [])),
  );
  const orders = ORDERS.map(({ id, label }) => ({ id, label }));
  const name = (key: string) => copy.nodes.get(key)?.name ?? key;
  const put = (to: Condition) => onchange(() => to);
  const swapped = <T,>(list: T[], it: T): T[] =>
    list.includes(it) ? list.filter((each) => each !== it) : [...list, it];
</script>

{#snippet order(test: OrderTest, pick: (test: OrderTest) => void)}
  is
  <Picker
    label="Compared"
    text={orders.find(({ id }) => id === test)!.label}
    options={orders}
    chosen={[test]}
    onpick={(id) => pick(id as OrderTest)}
  />
{/snippet}

<span class="clause">
  {#if leaf.type === "stageIs"}
    the stage is
    <Picker
      label="Stages"
      tone="token value"
      several
      text={leaf.stages.join(" or ") || "choose"}
      options={STAGES}
      chosen={leaf.stages}
      onpick={(id) => {
        const stages = swapped(leaf.stages, id as Stage);
        if (stages.length) put({ type: "stageIs", stages });
      }}
    />
  {:else if leaf.type === "roleIs"}
    the acting role is
    <Picker
      label="Roles"
      tone="token value"
      several
      text={leaf.roles.map((key) => roles.find(({ id }) => id === key)?.label ?? key).join(" or ") ||
        "choose"}
      options={roles}
      chosen={leaf.roles}
      onpick={(id) => {
        const to = swapped(leaf.roles, id);
        if (to.length) put({ type: "roleIs", roles: to });
      }}
    />
  {:else if leaf.type === "shared"}
    <Picker
      label="Shared condition"
      tone="token field"
      text={copy.shared.get(leaf.condition)?.name || "a condition shared by several"}
      options={named}
      chosen={[leaf.condition]}
      onpick={(condition) => put({ type: "shared", condition })}
    /> holds
  {:else if leaf.type === "ofRows"}
    <Picker
      label="Which rows"
      text={QUANTITIES.find(({ id }) => id === leaf.quantity)!.label}
      options={QUANTITIES}
      chosen={[leaf.quantity]}
      onpick={(id) => put({ ...leaf, quantity: id as Quantity })}
    />
    of <span class="token field">{name(leaf.section)}</span> where
    <span class="nested"
      ><GroupEditor
        condition={leaf.condition}
        {except}
        rows={leaf.section}
        onchange={(change) =>
          onchange((now) => {
            if (now.type !== "ofRows") return now;
            const condition = change(now.condition);
            return condition && { ...now, condition };
          })}
      /></span
    >
  {:else if leaf.type === "rowCount"}
    the number of rows of <span class="token field">{name(leaf.section)}</span>
    {@render order(leaf.test, (test) => put({ ...leaf, test }))}
    <Input
      look="token value"
      width="3.5rem"
      type="number"
      min="0"
      aria-label="Number of rows"
      shows={leaf.count}
      onchange={(event) => {
        const count = event.currentTarget.valueAsNumber;
        if (Number.isInteger(count) && count >= 0) put({ ...leaf, count });
      }}
    />
  {:else if leaf.type === "total"}
    {@const field = copy.nodes.get(leaf.field)?.node as ({ type: "field" } & Field) | undefined}
    the total of <span class="token field">{name(leaf.field)}</span>
    {@render order(leaf.test, (test) => put({ ...leaf, test }))}
    {#if field}
      <SideEditor
        side={side(leaf.to)}
        name="Value"
        {field}
        onchange={(it) => {
          const to = operand(it, field);
          if (to) put({ ...leaf, to });
        }}
      />
    {/if}
  {:else if leaf.type === "written"}
    <FormulaInput
      label="Formula"
      {rows}
      value={leaf.formula}
      onwrite={(formula) => put({ type: "written", formula })}
    />
  {:else}
    <span class="soft">{leaf.type}</span>
  {/if}
  <Button
    look="token faint"
    aria-label="Take this clause away"
    title="Take this clause away"
    onclick={onremove}>×</Button
  >
</span>

<style>
  .clause {
    line-height: 28px;
  }

  .nested {
    display: block;
    width: 100%;
    border-left: 2px solid var(--color-straw-line);
    padding-left: 8px;
    margin: 3px 0 3px 6px;
  }
</style>
