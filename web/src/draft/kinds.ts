import type { FieldKind, Novelty } from "../api/types";

/** What can be put into a section, in the words of the insert line. */
export const NOVELTIES: { id: Novelty; label: string; hint: string }[] = [
  { id: "text", label: "Text", hint: "one line" },
  { id: "longText", label: "Long text", hint: "several lines" },
  { id: "email", label: "E-mail address", hint: "" },
  { id: "phone", label: "Telephone number", hint: "" },
  { id: "webAddress", label: "Web address", hint: "" },
  { id: "number", label: "Number", hint: "decimals, unit, limits" },
  { id: "money", label: "Money", hint: "an amount in a currency" },
  { id: "yesNo", label: "Yes or no", hint: "" },
  { id: "oneChoice", label: "One choice", hint: "marks or a list" },
  { id: "date", label: "Date", hint: "" },
  { id: "notice", label: "Notice", hint: "a text for the reader" },
  { id: "indicator", label: "Indicator", hint: "follows a number" },
  { id: "section", label: "Section", hint: "a new heading" },
];

/** The kinds of fields with what a field of each is when it begins. */
export const KINDS: { id: FieldKind["type"]; label: string; start: FieldKind }[] = [
  { id: "text", label: "Text", start: { type: "text", placeholder: "", longest: 0 } },
  { id: "longText", label: "Long text", start: { type: "longText", placeholder: "", longest: 0 } },
  { id: "email", label: "E-mail address", start: { type: "email" } },
  { id: "phone", label: "Telephone number", start: { type: "phone", region: "" } },
  { id: "webAddress", label: "Web address", start: { type: "webAddress" } },
  {
    id: "number",
    label: "Number",
    start: { type: "number", decimals: 2, unit: "", lower: null, upper: null },
  },
  { id: "money", label: "Money", start: { type: "money", currency: "EUR", lower: null, upper: null } },
  { id: "yesNo", label: "Yes or no", start: { type: "yesNo" } },
  {
    id: "oneChoice",
    label: "One choice",
    start: {
      type: "oneChoice",
      choices: [],
      layout: "marks",
      style: { columns: 0, mark: "usual", size: "medium" },
      other: false,
      offer: null,
    },
  },
  { id: "date", label: "Date", start: { type: "date", earliest: null, latest: null } },
];

const HINTS: [Novelty, RegExp][] = [
  ["email", /\be-?mail\b/i],
  ["phone", /\b(tele)?phone\b|\bmobile\b/i],
  ["webAddress", /\b(web ?site|web address|url|home ?page)\b/i],
  ["number", /,\s*\S{1,8}$|\b(number of|how many|how much|depth|length|width|height|area|weight|count)\b/i],
  ["yesNo", /^(do|does|did|is|are|was|were|will|has|have|can|may|should)\b.*\?$/i],
  ["oneChoice", /^(which|what kind|who|choose)\b/i],
  ["date", /\b(date|day|when|born|expires?|starts? on|ends? on)\b/i],
  ["money", /\b(fee|amount|price|cost|deposit|rent|salary|budget)\b/i],
  ["longText", /\b(remarks?|describe|description|reasons?|why|comments?|explain)\b/i],
];

/** What is offered for what was typed: kinds of that name first; otherwise all, the likeliest for such a label first. */
export function offers(typed: string): { id: Novelty; label: string; hint: string; named: boolean }[] {
  const text = typed.trim().toLowerCase();
  if (!text) return NOVELTIES.map((it) => ({ ...it, named: false }));
  const named = NOVELTIES.filter((it) => it.label.toLowerCase().startsWith(text));
  const likely = HINTS.find(([, pattern]) => pattern.test(typed.trim()))?.[0] ?? "text";
  const rest = NOVELTIES.filter((it) => !named.includes(it)).sort(
    (a, b) => Number(b.id === likely) - Number(a.id === likely),
  );
  return [...named.map((it) => ({ ...it, named: true })), ...rest.map((it) => ({ ...it, named: false }))];
}
