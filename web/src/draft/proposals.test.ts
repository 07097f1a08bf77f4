import { describe, expect, test } from "vitest";
import type { FlatPage, FoundOnPage, Place, ProposedPlace, SheetPage } from "../api/types";
import {
  boxAt,
  byWay,
  kindOf,
  openProposals,
  questionOf,
  snappedMove,
  snappedSize,
  titleOf,
} from "./proposals";

const SHEET: SheetPage = { file: "f.pdf", number: 0, width: 21_000, height: 29_700, script: "" };
const BOX = { left: 1_000, top: 2_000, width: 4_000, height: 700 };

function proposal(more: Partial<ProposedPlace>): ProposedPlace {
  return {
    number: 0,
    found: "line",
    writing: "line",
    label: "Name",
    heading: "",
    place: BOX,
    marks: [],
    isOne: false,
    cells: 0,
    ...more,
  };
}

function at(left: number, top: number, width = 900, height = 500): Place {
  return questionOf(proposal({ place: { left, top, width, height } }), SHEET).place;
}

function found(proposals: ProposedPlace[], left: number[] = []): FoundOnPage {
  return { page: { proposals, boxes: [], across: [], down: [] }, left };
}

const marks = (...labels: string[]) =>
  labels.map((label, i) => ({
    label,
    place: { left: 1_000 + i * 2_000, top: 5_000, width: 350, height: 350 },
  }));

describe("what is proposed", () => {
  test("is what was not left and has nothing on it", () => {
    const all = found(
      [
        proposal({ number: 0 }),
        proposal({ number: 1, place: { ...BOX, top: 9_000 } }),
        proposal({ number: 2, writing: "mark", marks: marks("a", "b"), place: { ...BOX, top: 5_000 } }),
        proposal({ number: 3, place: { ...BOX, top: 12_000 } }),
      ],
      [3],
    );
    const open = (...places: Place[]) => openProposals(all, places).map(({ number }) => number);
    expect(open()).toEqual([0, 1, 2]);
    expect(open(at(1_100, 2_100, 3_800, 500))).toEqual([1, 2]);
    expect(open(at(3_000, 5_000, 350, 350))).toEqual([0, 1]);
    expect(open(at(0, 0, 21_000, 800))).toEqual([0, 1, 2]);
    expect(openProposals(null, [])).toEqual([]);
  });

  test("is told by the way it was found", () => {
    const all = [proposal({ found: "square" }), proposal({ found: "dots" }), proposal({ found: "square" })];
    expect(byWay(all).map(([way, of]) => [way, of.length])).toEqual([
      ["dots", 1],
      ["square", 2],
    ]);
  });

  test.each([
    ["Date of birth", "line", "date"],
    ["Datum", "line", "date"],
    ["E-mail", "line", "email"],
    ["Telephone", "line", "phone"],
    ["Telefon", "line", "phone"],
    ["Signature of the applicant", "line", "signature"],
    ["Unterschrift", "line", "signature"],
    ["Υπογραφή", "line", "signature"],
    ["Ημερομηνία", "line", "date"],
    ["Place, date", "line", "text"],
    ["Ort, Datum", "line", "text"],
    ["Length in m", "line", "number"],
    ["Area in hectares", "line", "number"],
    ["Costs in total", "line", "money"],
    ["Is there a well?", "line", "text"],
    ["Remarks", "line", "text"],
    ["Remarks", "lines", "longText"],
    ["Signature", "lines", "signature"],
    ["Account", "cells", "text"],
    ["Born on", "cells", "text"],
  ] as const)("%s on %s is asked as %s", (label, writing, kind) => {
    expect(kindOf(proposal({ label, writing }))).toBe(kind);
  });

  test.each([
    [marks("Yes", "No"), true, "yesNo"],
    [marks("I have read it"), false, "yesNo"],
    [marks("Cattle", "Drinking"), false, "severalChoices"],
  ] as const)("marks %j are asked as %s", (all, isOne, kind) => {
    expect(kindOf(proposal({ writing: "mark", label: "The water is for", marks: all, isOne }))).toBe(kind);
  });

  test("becomes a question with its place, its letters and its marks", () => {
    const comb = proposal({ writing: "cells", cells: 9, heading: "The owner" });
    expect(questionOf(comb, SHEET)).toMatchObject({
      what: "text",
      label: "Name",
      heading: "The owner",
      place: { ...BOX, lettering: { cells: 9, lines: false } },
      marks: [],
    });
    const marked = proposal({ writing: "mark", marks: marks("a", "b") });
    expect(questionOf(marked, SHEET).marks).toMatchObject([
      { label: "a", place: { left: 1_000 } },
      { label: "b", place: { left: 3_000 } },
    ]);
    expect(titleOf(marked)).toBe("Name: a, b");
    expect(titleOf(proposal({ label: "" }))).toBe("Without words beside it");
  });

  test("lies on its page though it was found at its edge", () => {
    const { place } = questionOf(
      proposal({ place: { left: -30, top: 29_690, width: 30_000, height: 400 } }),
      SHEET,
    );
    expect(place).toMatchObject({ left: 0, top: 29_650, width: 21_000, height: 50 });
  });
});

describe("printed lines", () => {
  const page: FlatPage = {
    proposals: [],
    boxes: [
      { left: 1_000, top: 1_000, width: 500, height: 500 },
      { left: 0, top: 0, width: 9_000, height: 9_000 },
    ],
    across: [1_000, 2_000],
    down: [3_000],
  };

  test("draw the edges of what is moved near them", () => {
    expect(snappedMove(at(2_000, 900), 50, 60, page)).toEqual([100, 100]);
    expect(snappedMove(at(2_000, 900), 60, 580, page)).toEqual([100, 600]);
    expect(snappedMove(at(6_000, 5_000), 7, 9, page)).toEqual([7, 9]);
  });

  test("draw the corner of what is resized", () => {
    expect(snappedSize(at(2_000, 1_200), 60, 250, page)).toEqual([100, 300]);
    expect(snappedSize(at(2_000, 1_200), 700, 900, page)).toEqual([700, 900]);
  });

  test("make boxes, of which the smallest is taken", () => {
    expect(boxAt(page, 1_200, 1_200)).toBe(page.boxes[0]);
    expect(boxAt(page, 5_000, 5_000)).toBe(page.boxes[1]);
    expect(boxAt(page, 9_500, 100)).toBeNull();
    expect(boxAt(null, 0, 0)).toBeNull();
  });
});
