import { describe, expect, test } from "vitest";
import type { Lettering, Place } from "../api/types";
import { cells, fitted, letterStyle, lines, placeStyle } from "./sheets";

const PLAIN: Lettering = { size: 0, cells: 0, lines: false, alignment: "start", tick: "cross" };
const SHEET = { file: "sheet.pdf", number: 0, width: 21_000, height: 29_700, script: "" };
/** Letters half as wide as they are high. */
const measure = (text: string) => text.length * 0.5;

function place(width: number, height: number, lettering: Partial<Lettering> = {}): Place {
  return {
    item: "it",
    choice: "",
    row: 0,
    left: 2_100,
    top: 2_970,
    width,
    height,
    lettering: { ...PLAIN, ...lettering },
    source: "",
    script: "",
  };
}

test("a place lies where it lies on paper, however wide the page is seen", () => {
  expect(placeStyle(place(4_200, 2_970), SHEET)).toBe(
    "left: 10.000%; top: 10.000%; width: 20.000%; height: 10.000%",
  );
  // 12 points are 4.233 mm, of 210.
  expect(letterStyle(12, SHEET)).toBe("font-size: 2.016cqw");
});

describe("letters are as large as on paper", () => {
  test.each([
    ["a short answer fills the height of its place", "Ines", place(6_000, 400), 8.844],
    ["at most so far", "Ines", place(6_000, 2_000), 11],
    ["a long one becomes smaller", "x".repeat(40), place(6_000, 700), 8.344],
    ["but never unreadable", "x".repeat(400), place(6_000, 700), 6],
    ["a size of the author's own stays", "x".repeat(400), place(6_000, 700, { size: 180 }), 18],
  ])("%s", (_, text, at, size) => expect(fitted(text, at, measure)).toBeCloseTo(size, 2));

  test("several lines go on until they fit", () => {
    const at = place(6_000, 2_000, { lines: true });
    expect(fitted("short", at, measure)).toBe(11);
    const size = fitted("word ".repeat(60).trim(), at, measure);
    expect(size).toBeLessThan(11);
    expect(size).toBeGreaterThanOrEqual(6);
  });
});

test("lines break between words and where the writer broke them", () => {
  expect(lines("aa bb cc", 3, measure)).toBe(2);
  expect(lines("aa\n\nbb", 30, measure)).toBe(3);
  expect(lines("a-very-long-word", 1, measure)).toBe(1);
});

describe("a sign in each cell", () => {
  test.each([
    ["AB", "start", ["A", "B", "", ""]],
    ["AB", "middle", ["", "A", "B", ""]],
    ["AB", "end", ["", "", "A", "B"]],
    ["1.2.34", "start", ["1", "2", "3", "4"]],
    ["ABCDEF", "start", ["A", "B", "C", "D"]],
    ["🜁B", "start", ["🜁", "B", "", ""]],
  ] as const)("%s at the %s", (text, alignment, expected) =>
    expect(cells(text, { ...PLAIN, cells: 4, alignment })).toEqual(expected),
  );
});
