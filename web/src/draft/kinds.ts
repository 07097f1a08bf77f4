import type { BlockRow, FieldKind, Novelty } from "../api/types";

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
  { id: "severalChoices", label: "Several choices", hint: "any number of marks" },
  { id: "rating", label: "Rating", hint: "a mark from 1 up" },
  { id: "date", label: "Date", hint: "" },
  { id: "time", label: "Time", hint: "of the day" },
  { id: "workedOut", label: "Worked-out value", hint: "a formula" },
  { id: "attachment", label: "Attachment", hint: "files" },
  { id: "pictureField", label: "Picture to be handed in", hint: "PNG or JPEG" },
  { id: "signature", label: "Signature", hint: "drawn or written" },
  { id: "initials", label: "Initials", hint: "" },
  { id: "dateSigned", label: "Date signed", hint: "put in by the server" },
  { id: "payment", label: "Payment", hint: "an amount to be paid" },
  { id: "lookup", label: "Lookup", hint: "from a list" },
  { id: "notice", label: "Notice", hint: "a text for the reader" },
  { id: "indicator", label: "Indicator", hint: "follows a number" },
  { id: "picture", label: "Picture", hint: "a drawing, a map, a photograph" },
  { id: "divider", label: "Divider", hint: "a line" },
  { id: "section", label: "Section", hint: "a new heading" },
  { id: "repeatingSection", label: "Rows", hint: "a section that repeats" },
  { id: "page", label: "Page", hint: "next and back in between" },
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
  {
    id: "severalChoices",
    label: "Several choices",
    start: {
      type: "severalChoices",
      choices: [],
      layout: "marks",
      style: { columns: 0, mark: "usual", size: "medium" },
      other: false,
      offer: null,
      least: 0,
      most: 0,
    },
  },
  { id: "rating", label: "Rating", start: { type: "rating", most: 5 } },
  { id: "date", label: "Date", start: { type: "date", earliest: null, latest: null } },
  { id: "time", label: "Time", start: { type: "time", earliest: null, latest: null } },
  { id: "attachment", label: "Attachment", start: { type: "attachment", most: 1, largest: 10, endings: [] } },
  { id: "picture", label: "Picture", start: { type: "picture", largest: 10 } },
  { id: "signature", label: "Signature", start: { type: "signature" } },
  { id: "initials", label: "Initials", start: { type: "initials" } },
  { id: "dateSigned", label: "Date signed", start: { type: "dateSigned" } },
  { id: "payment", label: "Payment", start: { type: "payment", currency: "EUR", amount: "10" } },
];

/** What has no label that is asked for; its name is what is meant when it is typed. */
const UNLABELLED = new Set<Novelty>([
  "section",
  "repeatingSection",
  "page",
  "notice",
  "indicator",
  "picture",
  "divider",
]);

const HINTS: [Novelty, RegExp][] = [
  ["oneChoice", /[?:] .+ \/ /],
  ["email", /\be-?mail\b/i],
  ["phone", /\b(tele)?phone\b|\bmobile\b/i],
  ["webAddress", /\b(web ?site|web address|url|home ?page)\b/i],
  ["rating", /\b(rating|satisfaction|stars)\b|^(please )?rate\b|\bhow (satisfied|happy|likely)\b/i],
  ["money", /,\s*(EUR|USD|GBP|CHF|€|\$|£)$/i],
  [
    "number",
    /,\s*\S{1,8}$|%|\b(number of|how many|how much|depth|length|width|height|area|weight|count|quantity|percentage|age)\b/i,
  ],
  ["yesNo", /^(do|does|did|is|are|was|were|will|has|have|can|may|should)\b.*\?$/i],
  ["oneChoice", /^(which|what kind|who|choose)\b/i],
  ["time", /\b(time|o'clock|at what hour)\b/i],
  ["signature", /\bsignature\b/i],
  ["attachment", /\b(attach|upload|hand in|document)\b/i],
  ["severalChoices", /\b(which of these|all that apply|which ones)\b/i],
  ["money", /\b(fees?|amount|price|costs?|deposit|rent|salary|budget|(day|daily|hourly) rate)\b|[€$£]/i],
  ["date", /\b(date|day|when|born|birthday|deadline|due|expires?|starts? on|ends? on)\b/i],
  ["longText", /\b(remarks?|describe|description|reasons?|why|comments?|explain)\b/i],
];

/** Something that can be put into a document: a new thing of a kind, or a block of one's own. */
export type Offered = { id: Novelty | "block"; label: string; hint: string; named: boolean; block?: string };

/** The kind that a label is most likely to ask for. */
export function likeliest(label: string): Novelty {
  return HINTS.find(([, pattern]) => pattern.test(label.trim()))?.[0] ?? "text";
}

/**
 * What is offered for what was typed: blocks and kinds of that name first; otherwise all kinds, the likeliest for such a
 * label first.
 */
export function offers(typed: string, blocks: BlockRow[]): Offered[] {
  const text = typed.trim().toLowerCase();
  const own = blocks
    .filter(({ name }) => name.toLowerCase().includes(text))
    .map(({ id, name, version }): Offered => ({
      id: "block",
      block: id,
      label: name,
      hint: `block, version ${version}`,
      named: true,
    }));
  if (!text) return [...NOVELTIES.map((it) => ({ ...it, named: false })), ...own];
  // A field that is called like a kind is that kind, and what was typed is its label.
  const same = NOVELTIES.find((it) => it.label.toLowerCase() === text && !UNLABELLED.has(it.id));
  const named = NOVELTIES.filter((it) => it.label.toLowerCase().startsWith(text) && it !== same);
  const likely = same?.id ?? likeliest(typed);
  const rest = NOVELTIES.filter((it) => !named.includes(it)).sort(
    (a, b) => Number(b.id === likely) - Number(a.id === likely),
  );
  const first = same ? rest.splice(0, 1) : [];
  return [
    ...own,
    ...first.map((it) => ({ ...it, named: false })),
    ...named.map((it) => ({ ...it, named: true })),
    ...rest.map((it) => ({ ...it, named: false })),
  ];
}
