import { KINDS, answerType } from "../../api/kinds";
import type { Condition, Field, FieldKind } from "../../api/types";
import { namable } from "./choices";
import { ORDERS, begun, closed, numeral, typedClause } from "./clauses";
import { likeliest } from "../kinds";
import type { WorkingCopy } from "../workingCopy.svelte";

/** A field that has to become of another kind before a condition can be asked of it. */
export type Changed = { key: string; kind: FieldKind; label: string };

/** A condition that a few typed words stand for. */
export type Meant = { label: string; condition: Condition; change?: Changed };

const MOST = 8;

/** The condition that a field has a choice. */
export function choosing({ key, kind }: Field, choice: string, not = false): Condition {
  return answerType(kind) === "choices"
    ? {
        type: "set",
        field: key,
        test: not ? "doesNotInclude" : "includes",
        choices: [choice],
        whenBlank: null,
      }
    : { type: "choice", field: key, test: not ? "isNot" : "is", choices: [choice], whenBlank: null };
}

/** What a comparison typed in one go, such as "depth >= 30", means for a field; null where it means nothing. */
export function compared(copy: WorkingCopy, field: Field, text: string): Condition | null {
  const { test, value } = typedClause(text)!;
  const verbs = copy.vocabulary.operators[field.kind.type] ?? [];
  const choice = namable(field, copy.nodes.get(field.key)?.state).find(
    ({ label }) => label.toLowerCase() === value.toLowerCase(),
  );
  if (choice && (test === "equal" || test === "notEqual"))
    return choosing(field, choice.id, test === "notEqual");
  if (verbs.some(({ operator }) => operator === test))
    return closed({ ...begun(field.key, test), first: { type: "value", text: value } }, field);
  const words = { equal: "is", notEqual: "isNot" } as const;
  const verb = test === "equal" || test === "notEqual" ? words[test] : null;
  return verb && verbs.some(({ operator }) => operator === "contains")
    ? closed({ ...begun(field.key, verb), text: value }, field)
    : null;
}

/** The comparisons that a text typed in one go may mean, one for each field whose name has the words before the sign. */
export function comparisons(copy: WorkingCopy, fields: Field[], text: string): (Meant & { field: Field })[] {
  const clause = typedClause(text);
  if (!clause) return [];
  const words = clause.name.toLowerCase().split(/\s+/);
  return fields
    .filter((field) => {
      const known = `${copy.view(field.key).name} ${field.key}`.toLowerCase();
      return words.every((word) => known.includes(word));
    })
    .flatMap((field) => {
      const condition = compared(copy, field, text);
      const label = `${copy.view(field.key).name} ${text.trim().slice(clause.name.length).trim()}`;
      return condition ? [{ field, label, condition }] : [];
    })
    .slice(0, MOST);
}

/**
 * The comparisons by size that a text may mean with fields that hold text, each with the kind that the field would have to
 * be of: of its label, of what it is compared with, or else a number.
 */
export function misfits(copy: WorkingCopy, fields: Field[], text: string): (Meant & { field: Field })[] {
  const clause = typedClause(text);
  if (!clause || clause.test === "equal" || clause.test === "notEqual") return [];
  const words = clause.name.toLowerCase().split(/\s+/);
  return fields
    .filter(({ key, kind }) => {
      const known = `${copy.view(key).name} ${key}`.toLowerCase();
      return (
        (kind.type === "text" || kind.type === "longText") && words.every((word) => known.includes(word))
      );
    })
    .flatMap((field) => {
      const likely = likeliest(field.label);
      const isNumber = numeral(clause.value) !== null;
      const type = isNumber
        ? likely in KINDS && KINDS[likely as FieldKind["type"]].answer === "number"
          ? (likely as FieldKind["type"])
          : "number"
        : /^\d{4}-\d{2}-\d{2}$/.test(clause.value)
          ? "date"
          : null;
      const kind = type && KINDS[type];
      const condition = kind && compared(copy, { ...field, kind: kind.start }, text);
      const sign = ORDERS.find(({ id }) => id === clause.test)!.label;
      return kind && condition
        ? [
            {
              field,
              label: `${copy.view(field.key).name} is ${sign} ${clause.value}`,
              condition,
              change: { key: field.key, kind: kind.start, label: kind.label.toLowerCase() },
            },
          ]
        : [];
    })
    .slice(0, MOST);
}

/** The conditions that a text may mean: comparisons, choices by any of their words, shared conditions by name. */
export function typedConditions(copy: WorkingCopy, text: string): Meant[] {
  const words = text.toLowerCase().split(/\s+/).filter(Boolean);
  if (!words.length) return [];
  const fields = [...copy.nodes.values()].flatMap(({ node }) =>
    node.type === "field" && !copy.around(node.key) ? [node] : [],
  );
  const matches = ({ label }: { label: string }) => words.every((word) => label.toLowerCase().includes(word));
  const others: Meant[] = [
    ...fields.flatMap((field) =>
      namable(field, copy.nodes.get(field.key)?.state).map(({ id, label }) => ({
        label: `${copy.view(field.key).name} ${answerType(field.kind) === "choices" ? "includes" : "is"} ${label}`,
        condition: choosing(field, id),
      })),
    ),
    ...[...copy.shared.values()].flatMap(({ key, name }) =>
      name ? [{ label: name, condition: { type: "shared" as const, condition: key } }] : [],
    ),
  ].filter(matches);
  return [...comparisons(copy, fields, text), ...misfits(copy, fields, text), ...others]
    .filter((it, i, all) => all.findIndex(({ label }) => label === it.label) === i)
    .slice(0, MOST);
}
