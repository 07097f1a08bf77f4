<script lang="ts">
  import Alert from "../../ui/Alert.svelte";
  import { answerType } from "../../api/kinds";
  import { request, said } from "../../api/http";
  import type { AsClauses, Condition, Field } from "../../api/types";
  import { namable } from "./choices";
  import { type ClauseDraft, begun, typedClause } from "./clauses";
  import ClauseRow from "./ClauseRow.svelte";
  import { workingCopy } from "../context";
  import Picker, { type Option } from "../../ui/Picker.svelte";
  import { choosing, compared, comparisons, misfits } from "./typedConditions";

  let {
    except,
    rows = null,
    onadd,
    oncancel,
  }: {
    except: string[];
    /** The repeating section whose row is at hand; null outside of rows. */
    rows?: string | null;
    onadd: (condition: Condition) => void;
    oncancel: () => void;
  } = $props();

  const copy = workingCopy();
  const SPLIT = "\n";
  let draft = $state<ClauseDraft | null>(null);
  let wrong = $state("");
  /** Whether something was picked or pointed at, so that the list closes without giving up. */
  let taken = false;

  const fields = $derived(
    [...copy.nodes.values()].flatMap(({ node, name }) =>
      node.type === "field" && !except.includes(node.key) ? [{ field: node as Field, name }] : [],
    ),
  );

  /** Every field, and behind each that has choices, each choice: one pick is then a whole clause. Then all else. */
  const options = $derived<Option[]>([
    ...fields.flatMap(({ field, name }): Option[] => {
      const choices = namable(field, copy.nodes.get(field.key)?.state);
      const verb = answerType(field.kind) === "choices" ? "includes" : "is";
      const foreign = foreignRows(field.key);
      return [
        {
          id: `field${SPLIT}${field.key}`,
          label: name,
          hint: foreign ? "in any row" : choices.length ? "…" : "",
        },
        ...choices.map(({ id, label }) => ({
          id: `choice${SPLIT}${field.key}${SPLIT}${id}`,
          label: `${name} ${verb} ${label}`,
        })),
      ];
    }),
    ...[...copy.shared.values()].flatMap(({ key, name }): Option[] =>
      name ? [{ id: `shared${SPLIT}${key}`, label: name, hint: "shared condition" }] : [],
    ),
    ...[...copy.nodes.values()].flatMap(({ node, name }): Option[] =>
      node.type === "section" && node.rows && node.key !== rows
        ? [{ id: `rowCount${SPLIT}${node.key}`, label: `Number of rows of ${name}`, hint: "rows" }]
        : [],
    ),
    ...fields.flatMap(({ field, name }): Option[] =>
      foreignRows(field.key) && (field.kind.type === "number" || field.kind.type === "money")
        ? [{ id: `total${SPLIT}${field.key}`, label: `Total of ${name}`, hint: "rows" }]
        : [],
    ),
    { id: "stage", label: "The stage is …", hint: "filling, print …" },
    ...(copy.settings?.roles.length ? [{ id: "role", label: "The acting role is …", hint: "role" }] : []),
  ]);

  /** The repeating section a field stands in, where its row is not the one at hand. */
  function foreignRows(key: string): string | null {
    const around = copy.around(key);
    return around === rows ? null : around;
  }

  /** A condition on a field of rows that are not at hand is met by any of them. */
  function ofRows(key: string, condition: Condition): Condition {
    const section = foreignRows(key);
    return section ? { type: "ofRows", section, quantity: "any", condition, whenBlank: null } : condition;
  }

  /** What was typed in one go: a comparison with a field of that name, and otherwise a formula. */
  function typed(text: string): Option[] {
    if (!typedClause(text)) return /[()+*/]|\b(and|or|not)\b/.test(text) ? [asFormula(text)] : [];
    const known = fields.map(({ field }) => field);
    return [
      ...comparisons(copy, known, text).map(({ field, label }) => ({
        id: `typed${SPLIT}${field.key}${SPLIT}${text}`,
        label,
        hint: "as typed",
      })),
      ...misfits(copy, known, text).map(({ field, label, change }) => ({
        id: `misfit${SPLIT}${field.key}${SPLIT}${text}`,
        label,
        hint: `holds text; make it a ${change!.label}`,
      })),
      asFormula(text),
    ];
  }

  const asFormula = (text: string): Option => ({
    id: `formula${SPLIT}${text}`,
    label: text,
    hint: "as a formula",
  });

  function pick(id: string) {
    const [what = "", key = "", rest = ""] = id.split(SPLIT);
    const node = copy.nodes.get(key)?.node;
    taken = true;
    switch (what) {
      case "shared":
        return onadd({ type: "shared", condition: key });
      case "rowCount":
        return onadd({ type: "rowCount", section: key, test: "atLeast", count: 1 });
      case "total":
        return onadd({
          type: "total",
          field: key,
          test: "more",
          to: { type: "number", number: "0" },
          whenBlank: null,
        });
      case "stage":
        return onadd({ type: "stageIs", stages: ["reviewing"] });
      case "role":
        return onadd({ type: "roleIs", roles: [copy.settings!.roles[0]!.role.key] });
      case "formula":
        return void read(key);
    }
    if (node?.type !== "field") return;
    if (what === "misfit") return void remake(node, rest);
    if (what === "typed") {
      const clause = compared(copy, node, rest);
      if (clause) onadd(ofRows(key, clause));
    } else if (what === "choice") onadd(ofRows(key, choosing(node, rest)));
    else draft = begun(key, copy.vocabulary.operators[node.kind.type]?.[0]?.operator ?? "answered");
  }

  /** Makes a field of the kind that can be compared so, and then compares it. */
  async function remake(field: Field, text: string) {
    const meant = misfits(copy, [field], text)[0];
    if (!meant?.change) return;
    const { key, kind } = meant.change;
    if (await copy.edit({ type: "setKind", key, kind })) onadd(ofRows(key, meant.condition));
    else oncancel();
  }

  async function read(formula: string) {
    wrong = "";
    try {
      const base = `/api/templates/${copy.template}/draft`;
      onadd((await request<AsClauses>("POST", `${base}/as-condition`, { formula })).condition);
    } catch (problem) {
      wrong = said(problem);
      taken = false;
    }
  }

  // While the first token is open, the document can be pointed at instead.
  $effect(() => {
    copy.pointing = (field, choice) => {
      taken = true;
      if (!except.includes(field))
        pick(choice === null ? `field${SPLIT}${field}` : `choice${SPLIT}${field}${SPLIT}${choice}`);
    };
    return () => (copy.pointing = null);
  });
</script>

{#if draft}
  <ClauseRow
    {draft}
    {rows}
    fresh
    onchange={(clause) => onadd(ofRows(clause.field, clause))}
    onremove={oncancel}
  />
{:else}
  <Picker
    label="Follows"
    tone="token add"
    text="which field?"
    open
    {options}
    extra={typed}
    placeholder="Field or choice, “depth >= 30”, or click in the document"
    onpick={pick}
    onclose={() => setTimeout(() => draft ?? (taken || oncancel()), 0)}
  />
  {#if wrong}<Alert class="text-xs">{wrong}</Alert>{/if}
{/if}
