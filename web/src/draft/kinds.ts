import { HINTS, KINDS } from "../api/kinds";
import type { BlockRow, FieldKind, Novelty } from "../api/types";

type Novel = { id: Novelty; label: string; hint: string };

/** What kinds are called that go by another name where they are added. */
const ADDED_AS: Partial<Record<FieldKind["type"], Novelty>> = { picture: "pictureField" };

const FIELD_KINDS = Object.keys(KINDS) as FieldKind["type"][];

const FIELDS = FIELD_KINDS.map((type): Novel => {
  const { label, hint } = KINDS[type];
  return { id: ADDED_AS[type] ?? (type as Novelty), label, hint };
});

/** What can be put into a section, in the words of the insert line. */
export const NOVELTIES: Novel[] = [
  ...FIELDS.flatMap((it) =>
    it.id === "time"
      ? [it, { id: "workedOut" as Novelty, label: "Worked-out value", hint: "a formula" }]
      : [it],
  ),
  { id: "notice", label: "Notice", hint: "a text for the reader" },
  { id: "indicator", label: "Indicator", hint: "follows a number" },
  { id: "picture", label: "Picture", hint: "a drawing, a map, a photograph" },
  { id: "divider", label: "Divider", hint: "a line" },
  { id: "section", label: "Section", hint: "a new heading" },
  { id: "repeatingSection", label: "Rows", hint: "a section that repeats" },
  { id: "page", label: "Page", hint: "next and back in between" },
];

/** What is drawn over the printed words of a page, and can be put on one only. */
export const ON_SHEETS: Novel[] = [
  { id: "stroke", label: "Stroke", hint: "strikes printed words out" },
  { id: "ring", label: "Ring", hint: "marks one of printed alternatives" },
  { id: "cover", label: "Cover", hint: "hides what does not apply" },
];

/** The kinds that a field can become: all but those that need a list to look things up in. */
export const OTHER_KINDS = FIELD_KINDS.filter((type) => type !== "lookup").map((id) => ({
  id,
  label: KINDS[id].label,
}));

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

/** Something that can be put into a document: a new thing of a kind, or a block of one's own. */
export type Offered = { id: Novelty | "block"; label: string; hint: string; named: boolean; block?: string };

/** The kind that a label is most likely to ask for. */
export function likeliest(label: string): Novelty {
  return (HINTS.find(([, pattern]) => pattern.test(label.trim()))?.[0] as Novelty | undefined) ?? "text";
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
