import type {
  EditPrintedQuestion,
  FlatPage,
  Found,
  FoundOnPage,
  Lettering,
  Novelty,
  Place,
  PrintedBox,
  ProposedPlace,
  SheetPage,
} from "../api/types";
import { WRITTEN } from "../api/kinds";
import { likeliest } from "./kinds";

/** How near the edge of a place has to come to a printed line to lie on it, in hundredths of a millimetre. */
const NEAR = 120;

/** How places are found, as it is told, in the order in which it is. */
export const WAYS: Record<Found, string> = {
  underscores: "On underscores",
  dots: "On rows of dots",
  line: "On lines",
  cell: "In empty boxes",
  box: "In boxes with a prompt",
  shade: "In coloured boxes",
  comb: "In boxes for letters",
  square: "Squares to mark",
};

function covers(place: PrintedBox, { left, top, width, height }: PrintedBox): boolean {
  const x = left + width / 2;
  const y = top + height / 2;
  return x > place.left && x < place.left + place.width && y > place.top && y < place.top + place.height;
}

/** What is proposed where nothing stands yet, and was not left. */
export function openProposals(found: FoundOnPage | null, places: Place[]): ProposedPlace[] {
  if (!found) return [];
  const left = new Set(found.left);
  return found.page.proposals.filter(({ number, place, marks }) => {
    const boxes = marks.length ? marks.map((it) => it.place) : [place];
    return !left.has(number) && !boxes.some((box) => places.some((it) => covers(it, box) || covers(box, it)));
  });
}

/** Proposals by the way they were found. */
export function byWay(proposals: ProposedPlace[]): [Found, ProposedPlace[]][] {
  return (Object.keys(WAYS) as Found[])
    .map((way): [Found, ProposedPlace[]] => [way, proposals.filter(({ found }) => found === way)])
    .filter(([, all]) => all.length);
}

/** The kind of question that a proposal most likely is. */
export function kindOf({ label, writing, marks, isOne }: ProposedPlace): Novelty {
  const likely = likeliest(label);
  switch (writing) {
    case "cells":
      return "text";
    case "lines":
      return likely === "signature" ? likely : "longText";
    case "mark":
      if (marks.length === 1 || isOne) return "yesNo";
      return likely === "oneChoice" ? likely : "severalChoices";
    case "line":
      return likely !== "longText" && WRITTEN.has(likely) ? likely : "text";
  }
}

function placed(box: PrintedBox, lettering: Partial<Lettering>, sheet: SheetPage): Place {
  const left = Math.max(0, Math.min(box.left, sheet.width - 50));
  const top = Math.max(0, Math.min(box.top, sheet.height - 50));
  return {
    item: "",
    choice: "",
    row: 0,
    left,
    top,
    width: Math.max(50, Math.min(box.width, sheet.width - left)),
    height: Math.max(50, Math.min(box.height, sheet.height - top)),
    lettering: { size: 0, cells: 0, lines: false, alignment: "start", tick: "cross", ...lettering },
    source: "",
    script: "",
  };
}

/** A proposal as the question that it becomes. */
export function questionOf(proposal: ProposedPlace, sheet: SheetPage): EditPrintedQuestion {
  const { label, heading, writing, place, marks, cells } = proposal;
  return {
    what: kindOf(proposal),
    label,
    heading,
    place: placed(place, { cells: writing === "cells" ? cells : 0, lines: writing === "lines" }, sheet),
    marks: marks.map((mark) => ({ label: mark.label, place: placed(mark.place, {}, sheet) })),
  };
}

/** What a proposal is called where it is told. */
export function titleOf({ label, marks }: ProposedPlace): string {
  const words = marks.length > 1 ? `${label}: ${marks.map((it) => it.label || "?").join(", ")}` : label;
  return words || "Without words beside it";
}

/** How far to move so that one of some edges lies on the nearest line, where one is near; otherwise 0. */
function toLine(edges: number[], lines: number[]): number {
  let best = 0;
  let least = NEAR + 1;
  for (const edge of edges) {
    for (const line of lines) {
      if (Math.abs(line - edge) < least) {
        least = Math.abs(line - edge);
        best = line - edge;
      }
    }
  }
  return best;
}

/** How much further a place that is moved goes, so that its edges lie on printed lines. */
export function snappedMove(place: Place, dx: number, dy: number, page: FlatPage): [number, number] {
  const left = place.left + dx;
  const top = place.top + dy;
  return [
    dx + toLine([left, left + place.width], page.down),
    dy + toLine([top, top + place.height], page.across),
  ];
}

/** The same of one that is resized: its lower right corner moves. */
export function snappedSize(place: Place, dx: number, dy: number, page: FlatPage): [number, number] {
  return [
    dx + toLine([place.left + place.width + dx], page.down),
    dy + toLine([place.top + place.height + dy], page.across),
  ];
}

/** The smallest printed box around a point; null where there is none. */
export function boxAt(page: FlatPage | null, x: number, y: number): PrintedBox | null {
  return (
    page?.boxes.find(
      (box) => x > box.left && x < box.left + box.width && y > box.top && y < box.top + box.height,
    ) ?? null
  );
}
