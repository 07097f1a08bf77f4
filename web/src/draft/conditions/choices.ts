import { answerType } from "../../api/kinds";
import type { Field, NodeState } from "../../api/types";
import { choicesOf } from "../../document/answers";

/** The choices of a field that a condition can name; of a lookup, those that are offered now. */
export function namable(field: Field, state: NodeState | undefined): { id: string; label: string }[] {
  const { kind } = field;
  const offered = kind.type === "lookup" && state?.type === "field" ? state.offered : null;
  const other = (kind.type === "oneChoice" || kind.type === "severalChoices") && kind.other;
  return [
    ...(answerType(kind) === "number" ? [] : choicesOf(kind, offered)),
    ...(other ? [{ id: "other", label: "Other" }] : []),
  ];
}
