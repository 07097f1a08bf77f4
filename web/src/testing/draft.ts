import type { FieldKind, NodeView, Verb } from "../api/types";
import { WorkingCopy } from "../draft/workingCopy.svelte";

const NO_LOOK = {
  shade: "plain",
  bold: false,
  mark: "none",
  italic: false,
  words: "",
  colours: null,
} as const;
const NO_FOLDING = { keepsSpace: false, motion: "none", milliseconds: 0 } as const;

/** A field as the server tells of it, with nothing but its kind. */
export function fieldView(key: string, name: string, kind: FieldKind): NodeView {
  return {
    node: {
      type: "field",
      key,
      label: name,
      help: "",
      width: "full",
      kind,
      role: "",
      shown: null,
      required: null,
      editable: null,
      value: null,
      bands: [],
      looks: [],
      checks: [],
      folding: NO_FOLDING,
      medium: "both",
    },
    name,
    sentences: [],
    state: {
      type: "field",
      shown: true,
      met: [],
      editable: true,
      required: false,
      missing: false,
      value: { type: "blank" },
      band: null,
      look: NO_LOOK,
      offered: null,
      overtyped: false,
      due: null,
      problem: null,
    },
    folded: "",
    bond: { follows: [], followers: [], depth: 0 },
  } as NodeView;
}

export const NUMBER: FieldKind = { type: "number", decimals: 1, unit: "m", lower: null, upper: null };
export const TEXT: FieldKind = { type: "text", placeholder: "", longest: 100 };
export const PUMPS = {
  type: "oneChoice",
  layout: "marks",
  choices: [
    { id: "hand", label: "Hand", stored: "" },
    { id: "motor", label: "Motor", stored: "" },
    { id: "sun", label: "Sun", stored: "" },
  ],
  other: false,
} as unknown as FieldKind;

const verb = (operator: Verb["operator"], words: string, metWhenBlank = false): Verb => ({
  operator,
  words,
  metWhenBlank,
});

/** The verbs of these kinds, as the server tells them. */
const OPERATORS: Record<string, Verb[]> = {
  number: [
    verb("is", "is"),
    verb("isNot", "is not", true),
    verb("more", "is more than"),
    verb("atLeast", "is at least"),
    verb("less", "is less than"),
    verb("atMost", "is at most"),
    verb("between", "is between"),
    verb("outside", "is outside"),
    verb("answered", "is answered"),
    verb("blank", "is blank", true),
  ] as Verb[],
  text: [
    verb("is", "is"),
    verb("contains", "contains"),
    verb("answered", "is answered"),
    verb("blank", "is blank", true),
  ],
  oneChoice: [verb("is", "is"), verb("isNot", "is not", true), verb("answered", "is answered")],
};

/** A working copy of a document with one section that holds these fields. */
export function draftOf(...fields: NodeView[]): WorkingCopy {
  const copy = new WorkingCopy("t");
  copy.vocabulary = { operators: OPERATORS };
  for (const view of fields) copy.nodes.set((view.node as { key: string }).key, view);
  copy.held.set("", ["page"]);
  copy.held.set("page", ["section"]);
  copy.held.set("section", [...copy.nodes.keys()]);
  return copy;
}
