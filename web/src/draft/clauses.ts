import type {
  Aspect,
  ClauseOperand,
  Condition,
  Field,
  FieldKind,
  Node,
  Operator,
  TextTest,
} from "../api/types";

/** What is edited as tokens; other conditions are shown as a sentence. */
export type Clause = Extract<
  Condition,
  { type: "answered" | "isBlank" | "choice" | "set" | "text" | "comparison" | "between" }
>;
export type Group = Extract<Condition, { type: "all" | "any" | "none" | "atLeast" }>;

/** A clause while it is being written: what stands in its tokens, complete or not. */
export type ClauseDraft = {
  field: string;
  operator: Operator;
  choices: string[];
  text: string;
  first: string;
  firstIn: boolean;
  second: string;
  secondIn: boolean;
  matchCase: boolean;
  whenBlank: boolean | null;
};

/** The condition that drives an aspect of a node; null where the plain default holds. */
export function conditionOf(node: Node, aspect: Aspect): Condition | null {
  switch (aspect) {
    case "shown":
      return node.shown;
    case "open":
      return node.type === "section" ? node.open : null;
    default:
      return node.type === "field" ? node[aspect] : null;
  }
}

export function isGroup(condition: Condition): condition is Group {
  return ["all", "any", "none", "atLeast"].includes(condition.type);
}

/** Whether a condition can be edited as tokens. */
export function isClause(condition: Condition): condition is Clause {
  switch (condition.type) {
    case "answered":
    case "isBlank":
    case "choice":
    case "set":
    case "text":
      return true;
    case "comparison":
      return isFixed(condition.to);
    case "between":
      return isFixed(condition.from) && isFixed(condition.to);
    default:
      return false;
  }
}

const isFixed = (operand: ClauseOperand) => operand.type === "number" || operand.type === "date";

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
    first: "",
    firstIn: true,
    second: "",
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

function side(operand: ClauseOperand): string {
  switch (operand.type) {
    case "number":
      return String(operand.number);
    case "date":
      return operand.date;
    case "time":
      return operand.time.slice(0, 5);
    default:
      return "";
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
    case "length":
    case "chosen":
      return null;
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
  return kind.type === "yesNo" || kind.type === "oneChoice" || kind.type === "lookup";
}

function operand(typed: string, field: Field): ClauseOperand | null {
  if (field.kind.type === "time") return /^\d\d:\d\d$/.test(typed) ? { type: "time", time: typed } : null;
  if (field.kind.type === "date" || field.kind.type === "dateSigned")
    return /^\d{4}-\d\d-\d\d$/.test(typed) ? { type: "date", date: typed } : null;
  const number = decimal(typed);
  return number === null ? null : { type: "number", number };
}

/** The most digits that a number keeps on its way through JavaScript. */
const MOST_DIGITS = 15;

/** A number as an author types it, with a point or a comma; null where it is none. */
export function decimal(typed: string): number | null {
  const text = typed
    .trim()
    .replace(/[\s\u00a0\u202f]/g, "")
    .replace("−", "-")
    .replace(",", ".");
  const isNumber = /^[-+]?(\d+\.?\d*|\.\d+)$/.test(text);
  return isNumber && text.replace(/\D/g, "").length <= MOST_DIGITS ? Number(text) : null;
}
