import { answerType } from "../../api/kinds";
import type {
  Aspect,
  ClauseOperand,
  Condition,
  Field,
  FieldKind,
  Node,
  Operator,
  OrderTest,
  TextTest,
} from "../../api/types";

/** What says something about the answer to one field. */
export type Clause = Extract<
  Condition,
  {
    type:
      | "answered"
      | "isBlank"
      | "choice"
      | "set"
      | "count"
      | "text"
      | "length"
      | "band"
      | "comparison"
      | "between";
  }
>;
export type Group = Extract<Condition, { type: "all" | "any" | "none" | "atLeast" }>;

/** What something is compared with, while it is being written. */
export type Side = { type: "value" | "field" | "formula" | "today"; text: string };

/** A clause while it is being written: what stands in its tokens, complete or not. */
export type ClauseDraft = {
  field: string;
  operator: Operator;
  choices: string[];
  text: string;
  /** How a length, or a number of chosen ones, is compared. */
  order: OrderTest;
  first: Side;
  firstIn: boolean;
  second: Side;
  secondIn: boolean;
  matchCase: boolean;
  whenBlank: boolean | null;
};

const EMPTY: Side = { type: "value", text: "" };

/** The verbs that hold a number of characters or of marks against another. */
export const COUNTING: Operator[] = ["length", "chosen"];

/** The condition that drives an aspect of a node; null where the plain default holds. */
export function conditionOf(node: Node, aspect: Aspect): Condition | null {
  return (node as Partial<Record<Aspect, Condition | null>>)[aspect] ?? null;
}

export function isGroup(condition: Condition): condition is Group {
  return ["all", "any", "none", "atLeast"].includes(condition.type);
}

const CLAUSES = [
  "answered",
  "isBlank",
  "choice",
  "set",
  "count",
  "text",
  "length",
  "band",
  "comparison",
  "between",
];

/** Whether a condition says something about the answer to one field. */
export function isClause(condition: Condition): condition is Clause {
  return CLAUSES.includes(condition.type);
}

export function isPlain(condition: Condition): condition is Extract<Condition, { type: "always" | "never" }> {
  return condition.type === "always" || condition.type === "never";
}

/** A clause about a field with nothing said yet. */
export function begun(field: string, operator: Operator): ClauseDraft {
  return {
    field,
    operator,
    choices: [],
    text: "",
    order: "atLeast",
    first: EMPTY,
    firstIn: true,
    second: EMPTY,
    secondIn: true,
    matchCase: false,
    whenBlank: null,
  };
}

/** The tokens of a clause. */
export function opened(clause: Clause): ClauseDraft {
  switch (clause.type) {
    case "answered":
      return begun(clause.field, "answered");
    case "isBlank":
      return begun(clause.field, "blank");
    case "choice":
    case "set":
      return { ...begun(clause.field, clause.test), choices: clause.choices, whenBlank: clause.whenBlank };
    case "band":
      return { ...begun(clause.field, "inBand"), choices: clause.bands, whenBlank: clause.whenBlank };
    case "count":
      return {
        ...begun(clause.field, "chosen"),
        order: clause.test,
        first: value(String(clause.count)),
        whenBlank: clause.whenBlank,
      };
    case "length":
      return {
        ...begun(clause.field, "length"),
        order: clause.test,
        first: value(String(clause.length)),
        whenBlank: clause.whenBlank,
      };
    case "text":
      return {
        ...begun(clause.field, clause.test),
        text: clause.text,
        matchCase: clause.matchCase,
        whenBlank: clause.whenBlank,
      };
    case "comparison":
      return { ...begun(clause.field, clause.test), first: side(clause.to), whenBlank: clause.whenBlank };
    case "between":
      return {
        ...begun(clause.field, clause.outside ? "outside" : "between"),
        first: side(clause.from),
        firstIn: clause.fromIncluded,
        second: side(clause.to),
        secondIn: clause.toIncluded,
        whenBlank: clause.whenBlank,
      };
  }
}

const value = (text: string): Side => ({ type: "value", text });

/** What something is compared with, to be written on. */
export function side(operand: ClauseOperand): Side {
  switch (operand.type) {
    case "number":
      return value(operand.number);
    case "date":
      return { type: "value", text: operand.date };
    case "time":
      return { type: "value", text: operand.time.slice(0, 5) };
    case "field":
      return { type: "field", text: operand.field };
    case "formula":
      return { type: "formula", text: operand.formula };
    case "today":
      return { type: "today", text: String(operand.days) };
  }
}

/** The clause the tokens make; null while one of them is missing. */
export function closed(draft: ClauseDraft, field: Field): Clause | null {
  const { operator, whenBlank } = draft;
  const about = { field: draft.field, whenBlank };
  switch (operator) {
    case "answered":
      return { type: "answered", field: draft.field };
    case "blank":
      return { type: "isBlank", field: draft.field };
    case "is":
    case "isNot":
      if (isOneChoice(field.kind))
        return draft.choices.length
          ? { type: "choice", ...about, test: operator, choices: draft.choices }
          : null;
      return text(draft, operator);
    case "contains":
    case "doesNotContain":
    case "startsWith":
    case "endsWith":
    case "matches":
      return text(draft, operator);
    case "includes":
    case "doesNotInclude":
    case "includesAll":
    case "isExactly":
      return draft.choices.length ? { type: "set", ...about, test: operator, choices: draft.choices } : null;
    case "inBand":
      return draft.choices.length ? { type: "band", ...about, bands: draft.choices } : null;
    case "length":
    case "chosen": {
      if (!WHOLE.test(draft.first.text)) return null;
      const number = Number(draft.first.text.replace("−", "-"));
      if (number < 0) return null;
      return operator === "length"
        ? { type: "length", ...about, test: draft.order, length: number }
        : { type: "count", ...about, test: draft.order, count: number };
    }
    case "outside":
    case "between": {
      const from = operand(draft.first, field);
      const to = operand(draft.second, field);
      const edges = { fromIncluded: draft.firstIn, toIncluded: draft.secondIn };
      const outside = operator === "outside";
      return from && to ? { type: "between", ...about, outside, from, to, ...edges } : null;
    }
    default: {
      const to = operand(draft.first, field);
      return to ? { type: "comparison", ...about, test: operator, to } : null;
    }
  }
}

function text({ field, whenBlank, matchCase, ...draft }: ClauseDraft, test: TextTest): Clause | null {
  const sought = draft.text.trim();
  return sought ? { type: "text", field, whenBlank, matchCase, test, text: sought } : null;
}

/** Whether an answer of a kind is one choice. */
export function isOneChoice(kind: FieldKind): boolean {
  return ["choice", "yesNo"].includes(answerType(kind));
}

/** Whether bands divide answers of a kind: numbers and days. */
export function hasBands(kind: FieldKind): boolean {
  return ["number", "day"].includes(answerType(kind));
}

/** Whether an answer of a kind is a day. */
export function isDay(kind: FieldKind): boolean {
  return answerType(kind) === "day";
}

/** Whether answers of two kinds can be compared by size. */
export function areComparable(one: FieldKind, other: FieldKind): boolean {
  const answer = answerType(one);
  return ["number", "day", "time"].includes(answer) && answer === answerType(other);
}

/** What is written on a side; null while it is incomplete. */
export function operand({ type, text }: Side, field: Field): ClauseOperand | null {
  switch (type) {
    case "field":
      return text ? { type: "field", field: text } : null;
    case "formula":
      return text.trim() ? { type: "formula", formula: text.trim() } : null;
    case "today":
      return WHOLE.test(text || "0")
        ? { type: "today", days: Number((text || "0").replace("−", "-")) }
        : null;
    case "value":
      break;
  }
  if (answerType(field.kind) === "time")
    return /^\d\d:\d\d$/.test(text) ? { type: "time", time: text } : null;
  if (isDay(field.kind)) return /^\d{4}-\d\d-\d\d$/.test(text) ? { type: "date", date: text } : null;
  const number = numeral(text);
  return number === null ? null : { type: "number", number };
}

const WHOLE = /^\s*[-+−]?\d{1,6}\s*$/;

/**
 * What looks like a number, as it was typed; null for anything else. Which number it is, the server reads: as it reads
 * what fillers type, and without the binary numbers of JavaScript, which keep 15 digits.
 */
export function numeral(typed: string, language = documentLanguage.tag): string | null {
  const text = typed.trim();
  // Told apart by the server: where points stand between thousands this could be two numbers, as “1,234” could.
  if (partsWithPoints(language) && /^[-+−]?[1-9]\d{0,2}\.\d{3}$/.test(text)) return text.replace(".", ",");
  return /^[-+−]?[.,]?\d[\d.,\s'’\u00a0\u2009\u202f]*$/.test(text) ? text : null;
}

/** The language of the document that is being written, as its author set it; empty for English. */
export const documentLanguage = { tag: "" };

function partsWithPoints(language: string): boolean {
  try {
    return new Intl.NumberFormat(language || "en")
      .formatToParts(12345.6)
      .some(({ type, value }) => type === "group" && value === ".");
  } catch {
    return false;
  }
}

/** A number that was worked out for a scale on the screen, as text without an exponent. */
export function plain(number: number): string {
  return number.toLocaleString("en", { useGrouping: false, maximumFractionDigits: 12 });
}

/** The comparisons, as they are written and as they are typed. */
export const ORDERS: { id: OrderTest; label: string; typed: string[] }[] = [
  { id: "atLeast", label: "at least", typed: [">=", "≥"] },
  { id: "more", label: "more than", typed: [">"] },
  { id: "atMost", label: "at most", typed: ["<=", "≤"] },
  { id: "less", label: "less than", typed: ["<"] },
  { id: "equal", label: "equal to", typed: ["="] },
  { id: "notEqual", label: "not equal to", typed: ["!=", "≠", "<>"] },
];

/** Something typed in one go, such as "depth >= 30": what is before the sign, the sign, and what is behind it. */
export function typedClause(typed: string): { name: string; test: OrderTest; value: string } | null {
  const found = /^(.+?)\s*(>=|<=|!=|<>|≥|≤|≠|=|<|>)\s*(.+)$/.exec(typed.trim());
  if (!found) return null;
  const test = ORDERS.find((order) => order.typed.includes(found[2]!))!.id;
  return { name: found[1]!, test, value: found[3]! };
}
