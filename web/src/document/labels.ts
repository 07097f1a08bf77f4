import type { Field } from "../api/types";

/** The label of a field as its reader sees it, with the unit or currency. */
export function question(field: Field): string {
  const { kind } = field;
  if (kind.type === "number" && kind.unit) return `${field.label}, ${kind.unit}`;
  if (kind.type === "money") return `${field.label}, ${kind.currency}`;
  return field.label;
}
