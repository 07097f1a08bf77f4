// Made from the Java types by ./loesscape types; do not edit.

import type { FieldKind } from "./types";

/** What the answers to a field are, whatever kind of field it is. */
export type AnswerType = "text" | "number" | "yesNo" | "choice" | "choices" | "day" | "time" | "signature" | "files" | "payment";

/**
 * What there is to know of a kind of field: whether its answers come from the server, whether a field of it can
 * begin with an answer or be worked out, and what a new one is like.
 */
export type KindFacts = {
  label: string;
  hint: string;
  answer: AnswerType;
  given: boolean;
  canBegin: boolean;
  canBeWorkedOut: boolean;
  formats: string[];
  start: FieldKind;
};

/** By the names of kinds, in the order in which they are offered. */
export const KINDS: Record<FieldKind["type"], KindFacts> = {
  text: {
    label: "Text",
    hint: "one line",
    answer: "text",
    given: false,
    canBegin: true,
    canBeWorkedOut: true,
    formats: ["lower", "upper"],
    start: {"type":"text","placeholder":"","longest":0},
  },
  longText: {
    label: "Long text",
    hint: "several lines",
    answer: "text",
    given: false,
    canBegin: true,
    canBeWorkedOut: true,
    formats: ["lower", "upper"],
    start: {"type":"longText","placeholder":"","longest":0},
  },
  email: {
    label: "E-mail address",
    hint: "",
    answer: "text",
    given: false,
    canBegin: true,
    canBeWorkedOut: true,
    formats: ["lower", "upper"],
    start: {"type":"email"},
  },
  phone: {
    label: "Telephone number",
    hint: "",
    answer: "text",
    given: false,
    canBegin: true,
    canBeWorkedOut: true,
    formats: ["lower", "upper"],
    start: {"type":"phone","region":""},
  },
  webAddress: {
    label: "Web address",
    hint: "",
    answer: "text",
    given: false,
    canBegin: true,
    canBeWorkedOut: true,
    formats: ["lower", "upper"],
    start: {"type":"webAddress"},
  },
  number: {
    label: "Number",
    hint: "decimals, unit, limits",
    answer: "number",
    given: false,
    canBegin: true,
    canBeWorkedOut: true,
    formats: ["figure", "words"],
    start: {"type":"number","decimals":2,"unit":"","lower":null,"upper":null},
  },
  money: {
    label: "Money",
    hint: "an amount in a currency",
    answer: "number",
    given: false,
    canBegin: true,
    canBeWorkedOut: true,
    formats: ["figure", "words"],
    start: {"type":"money","currency":"EUR","lower":null,"upper":null},
  },
  yesNo: {
    label: "Yes or no",
    hint: "",
    answer: "yesNo",
    given: false,
    canBegin: true,
    canBeWorkedOut: true,
    formats: [],
    start: {"type":"yesNo"},
  },
  oneChoice: {
    label: "One choice",
    hint: "marks or a list",
    answer: "choice",
    given: false,
    canBegin: true,
    canBeWorkedOut: true,
    formats: ["lower", "upper", "stored"],
    start: {"type":"oneChoice","choices":[],"layout":"marks","style":{"columns":0,"mark":"usual","size":"medium"},"other":false,"offer":null},
  },
  severalChoices: {
    label: "Several choices",
    hint: "any number of marks",
    answer: "choices",
    given: false,
    canBegin: true,
    canBeWorkedOut: false,
    formats: ["lower", "upper", "stored", "or"],
    start: {"type":"severalChoices","choices":[],"layout":"marks","style":{"columns":0,"mark":"usual","size":"medium"},"other":false,"offer":null,"least":0,"most":0},
  },
  rating: {
    label: "Rating",
    hint: "a mark from 1 up",
    answer: "number",
    given: false,
    canBegin: true,
    canBeWorkedOut: true,
    formats: ["figure", "words"],
    start: {"type":"rating","most":5},
  },
  date: {
    label: "Date",
    hint: "",
    answer: "day",
    given: false,
    canBegin: true,
    canBeWorkedOut: true,
    formats: ["short", "full", "month", "year"],
    start: {"type":"date","earliest":null,"latest":null},
  },
  time: {
    label: "Time",
    hint: "of the day",
    answer: "time",
    given: false,
    canBegin: true,
    canBeWorkedOut: true,
    formats: [],
    start: {"type":"time","earliest":null,"latest":null},
  },
  attachment: {
    label: "Attachment",
    hint: "files",
    answer: "files",
    given: false,
    canBegin: false,
    canBeWorkedOut: false,
    formats: [],
    start: {"type":"attachment","most":1,"largest":10,"endings":[]},
  },
  picture: {
    label: "Picture to be handed in",
    hint: "PNG or JPEG",
    answer: "files",
    given: false,
    canBegin: false,
    canBeWorkedOut: false,
    formats: [],
    start: {"type":"picture","largest":10},
  },
  signature: {
    label: "Signature",
    hint: "drawn or written",
    answer: "signature",
    given: false,
    canBegin: false,
    canBeWorkedOut: false,
    formats: [],
    start: {"type":"signature"},
  },
  initials: {
    label: "Initials",
    hint: "",
    answer: "signature",
    given: false,
    canBegin: false,
    canBeWorkedOut: false,
    formats: [],
    start: {"type":"initials"},
  },
  dateSigned: {
    label: "Date signed",
    hint: "put in by the server",
    answer: "day",
    given: true,
    canBegin: false,
    canBeWorkedOut: false,
    formats: ["short", "full", "month", "year"],
    start: {"type":"dateSigned"},
  },
  payment: {
    label: "Payment",
    hint: "an amount to be paid",
    answer: "payment",
    given: true,
    canBegin: false,
    canBeWorkedOut: false,
    formats: ["figure", "words"],
    start: {"type":"payment","currency":"EUR","amount":"10"},
  },
  lookup: {
    label: "Lookup",
    hint: "from a list",
    answer: "choice",
    given: false,
    canBegin: true,
    canBeWorkedOut: false,
    formats: ["lower", "upper", "stored"],
    start: {"type":"lookup","list":"","column":"","filters":{}},
  },
};

/** How an answer can be written in a text where not in the usual way: what it makes of it, by its name. */
export const FORMATS: Record<string, string> = {
  short: "a day in figures, as 27/11/2026",
  full: "a day with its weekday",
  month: "the month and year of a day",
  year: "the year of a day",
  figure: "the number without its unit or currency",
  words: "the number in words, without its unit or currency",
  lower: "in small letters, as inside a sentence",
  upper: "in capital letters",
  stored: "the stored value of the choice",
  or: "joined by “or”",
};

/** What tells the kind that a label most likely asks for; the first that is found counts. */
export const HINTS: [FieldKind["type"], RegExp][] = [
  ["oneChoice", new RegExp("[?:] .+ / ", "i")],
  ["text", new RegExp("^(place|town|ort|lieu|lugar|luogo|local|plaats|miejscowość|místo|τόπος)\\s*(,|and|und|et|y|e|en|i)\\s", "i")],
  ["email", new RegExp("\\be-?(mail|posta)\\b|courriel|correo electr|sähköposti", "i")],
  ["phone", new RegExp("\\b(tele)?phone\\b|\\bmobile\\b|t[eé]l[eé]fon|τηλέφωνο|puhelin|телефон", "i")],
  ["webAddress", new RegExp("\\b(web ?site|web address|url|home ?page)\\b", "i")],
  ["rating", new RegExp("\\b(rating|satisfaction|stars)\\b|^(please )?rate\\b|\\bhow (satisfied|happy|likely)\\b", "i")],
  ["money", new RegExp(",\\s*(EUR|USD|GBP|CHF|€|\\$|£)$", "i")],
  ["number", new RegExp(",\\s*\\S{1,8}$|%|\\bin (m|cm|mm|km|kg|g|t|l|ha|m²|m³|kwh|(cubic |square )?met(re|er)s?|hectares?|lit(re|er)s?|days|hours|years)$|\\b(number of|how many|how much|depth|length|width|height|area|weight|count|quantity|percentage|age)\\b", "i")],
  ["yesNo", new RegExp("^(do|does|did|is|are|was|were|will|has|have|can|may|should)\\b.*\\?$", "i")],
  ["oneChoice", new RegExp("^(which|what kind|who|choose)\\b", "i")],
  ["time", new RegExp("\\b(time|o'clock|at what hour)\\b", "i")],
  ["signature", new RegExp("\\bsign(ature|ed)\\b|unterschrift|\\bfirma\\b|assinatura|handtekening|podpis|υπογραφή|aláírás|underskrift|allekirjoitus|imza|подпись|підпис|توقيع|חתימה", "i")],
  ["attachment", new RegExp("\\b(attach|upload|hand in|document)\\b", "i")],
  ["severalChoices", new RegExp("\\b(which of these|all that apply|which ones)\\b", "i")],
  ["money", new RegExp("\\b(fees?|amount|price|costs?|deposit|rent|salary|budget|(day|daily|hourly) rate)\\b|[€$£]", "i")],
  ["date", new RegExp("\\b(date|day|when|born|birthday|deadline|due|expires?|starts? on|ends? on)\\b|\\bdatum\\b|\\bfecha\\b|\\bdata\\b|\\bdato\\b|dátum|\\btarih|päivämäärä|ημερομηνία|дата", "i")],
  ["longText", new RegExp("\\b(remarks?|describe|description|reasons?|why|comments?|explain)\\b", "i")],
];

/** The kinds whose answers are written on a line, rather than marked, chosen or handed in. */
export const WRITTEN: ReadonlySet<string> = new Set(["text", "longText", "email", "phone", "webAddress", "number", "money", "date", "time", "signature", "initials"]);

/** What the answers to a field of a kind are. */
export function answerType(kind: FieldKind): AnswerType {
  return KINDS[kind.type].answer;
}
