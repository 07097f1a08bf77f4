import { ASPECTS, aspectsOf } from "../api/aspects";
import type {
  Aspect,
  Example,
  HowMany,
  Look,
  Node,
  Promised,
  PromiseRule,
  PromiseVerdict,
} from "../api/types";
import { keyOf } from "../document/answers";
import { answerWords } from "../document/answerWords";
import type { WorkingCopy } from "../draft/workingCopy.svelte";
import type { Option } from "../ui/Picker.svelte";

/** What a promise is about, as its token knows it: an item, several, a role, an answer, the document. */
export const SEVERAL = "\nseveral";
export const DOCUMENT = "\ndocument";
export const ANSWER = "\nanswer";
const ROLE = "\nrole ";

const WARNING: Look = {
  shade: "clay",
  bold: true,
  mark: "warning",
  italic: false,
  words: "",
  colours: null,
};

export const HOW_MANY: Record<HowMany, string> = {
  exactlyOne: "exactly one",
  atMostOne: "at most one",
  atLeastOne: "at least one",
};

/** All that a promise can be about. */
export function subjects(copy: WorkingCopy): Option[] {
  const hints: Record<string, string> = { notice: "text" };
  return [
    ...[...copy.nodes.values()].map(({ node, name }) => ({
      id: node.key,
      label: name,
      hint: node.type === "field" ? "" : (hints[node.type] ?? node.type),
    })),
    { id: SEVERAL, label: "One of several …", hint: "exactly one is shown" },
    ...(copy.settings?.roles ?? []).map(({ role }) => ({
      id: ROLE + role.key,
      label: role.name,
      hint: "role",
    })),
    { id: ANSWER, label: "An answer …", hint: "is at least, is the same as" },
    { id: DOCUMENT, label: "The document", hint: "can be finished" },
  ];
}

/** What a promise is about. */
export function subjectOf(promised: Promised): string {
  switch (promised.type) {
    case "nodeIs":
    case "nodeLooks":
      return promised.key;
    case "someShown":
      return SEVERAL;
    case "roleSigns":
      return ROLE + promised.role;
    case "canFinish":
      return DOCUMENT;
    case "isMet":
      return ANSWER;
  }
}

/** What can be said of an item, a role or the document. */
export function predicates(copy: WorkingCopy, subject: string): Option[] {
  if (subject.startsWith(ROLE)) return often("signs", "takes part");
  if (subject === DOCUMENT) return often("finish", "be finished");
  if (subject === ANSWER) return often("met", "so");
  if (subject === SEVERAL)
    return Object.entries(HOW_MANY).map(([id, label]) => ({ id: `some ${id}`, label: `${label} is shown` }));
  const node = copy.nodes.get(subject)?.node;
  if (!node) return [];
  const looks = ["field", "section", "notice"].includes(node.type);
  return [
    ...aspectsOf(node).flatMap((aspect) => often(aspect, ASPECTS[aspect].title.toLowerCase())),
    ...(looks ? often("look", "looking …") : []),
  ];
}

const often = (id: string, words: string): Option[] => [
  { id: `always ${id}`, label: `always ${words}` },
  { id: `never ${id}`, label: `never ${words}` },
];

/** What a promise says of what it is about. */
export function predicateOf(promised: Promised): string {
  const is = "is" in promised && promised.is ? "always" : "never";
  switch (promised.type) {
    case "nodeIs":
      return `${is} ${promised.aspect}`;
    case "nodeLooks":
      return `${is} look`;
    case "someShown":
      return `some ${promised.count}`;
    case "roleSigns":
      return `${is} signs`;
    case "canFinish":
      return `${is} finish`;
    case "isMet":
      return `${is} met`;
  }
}

/** A promise with what it is about and what it says; what it said of looks, several items or an answer stays where it can. */
export function promising(subject: string, predicate: string, before: Promised | null): Promised {
  const [often = "", what = ""] = predicate.split(" ");
  const is = often === "always";
  if (subject.startsWith(ROLE)) return { type: "roleSigns", role: subject.slice(ROLE.length), is };
  if (subject === DOCUMENT) return { type: "canFinish", is };
  if (subject === SEVERAL)
    return {
      type: "someShown",
      keys: before?.type === "someShown" ? before.keys : [],
      count: what as HowMany,
    };
  if (subject === ANSWER)
    return {
      type: "isMet",
      condition: before?.type === "isMet" ? before.condition : { type: "always" },
      is,
    };
  return what === "look"
    ? { type: "nodeLooks", key: subject, look: before?.type === "nodeLooks" ? before.look : WARNING, is }
    : { type: "nodeIs", key: subject, aspect: what as Aspect, is };
}

/** Whether all is said that a promise needs before it can be kept. */
export function isWhole(promised: Promised | null): promised is Promised {
  if (!promised) return false;
  if (promised.type === "someShown") return promised.keys.length > 1;
  return !(promised.type === "isMet" && promised.condition.type === "always");
}

/** The repeating section in whose rows a promise is asked; null where it is in none. */
export function rowsOf(copy: WorkingCopy, { promised }: PromiseRule): string | null {
  const key = "key" in promised ? promised.key : promised.type === "someShown" ? promised.keys[0] : null;
  return key ? copy.around(key) : null;
}

/** An example in words: Depth: 30 · Method: drilled. What is blank in it is not said. */
export function exampleWords(copy: WorkingCopy, example: Example): string {
  const words = Object.entries(example.answers).flatMap(([at, typed]) => {
    const view = copy.nodes.get(keyOf(at));
    return typed ? [`${view?.name ?? keyOf(at)}: ${said(view?.node, typed)}`] : [];
  });
  const role = copy.settings?.roles.find(({ role }) => role.key === example.context.role);
  if (role) words.push(`seen by ${role.role.name}`);
  if (example.context.stage !== "filling") words.push(`at the stage ${example.context.stage}`);
  return words.length ? words.join(" · ") : "nothing answered";
}

function said(node: Node | undefined, typed: string): string {
  if (node?.type === "section") {
    const rows = typed.split(",").length;
    return rows === 1 ? "1 row" : `${rows} rows`;
  }
  return node?.type === "field" ? answerWords(node.kind, typed) : typed;
}

/** How many promises are kept, broken and not decided, in words. */
export function told(verdicts: readonly PromiseVerdict[]): string {
  const count = (type: PromiseVerdict["type"]) => verdicts.filter((each) => each.type === type).length;
  const all = [
    { number: count("broken"), words: "broken" },
    { number: count("kept"), words: "kept" },
    { number: count("open"), words: "not decided" },
  ].filter(({ number }) => number);
  return all.map(({ number, words }) => `${number} ${words}`).join(", ");
}
