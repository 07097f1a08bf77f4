import { describe, expect, test } from "vitest";
import type { Place } from "../api/types";
import { aligned, copied, drawn, moved, resized, sameSize, spread, stacked } from "./placing";

const SHEET = { width: 21_000, height: 29_700 };

function place(left: number, top: number, width = 1_000, height = 500): Place {
  return {
    item: "it",
    choice: "",
    row: 0,
    left,
    top,
    width,
    height,
    lettering: { size: 0, cells: 0, lines: false, alignment: "start", tick: "cross" },
    source: "name",
    script: "run",
  };
}

const lefts = (places: Place[]) => places.map(({ left }) => left);
const tops = (places: Place[]) => places.map(({ top }) => top);

describe("moving", () => {
  test("moves what is selected, and nothing else", () => {
    const places = [place(100, 100), place(5_000, 5_000)];
    expect(moved(places, new Set([1]), 50, -70, SHEET)).toMatchObject([
      { left: 100, top: 100 },
      { left: 5_050, top: 4_930 },
    ]);
  });

  test("several keep their distance at the edge of the page", () => {
    const places = [place(100, 100), place(400, 300)];
    const at = moved(places, new Set([0, 1]), -1_000, -1_000, SHEET);
    expect(at).toMatchObject([
      { left: 0, top: 0 },
      { left: 300, top: 200 },
    ]);
    const far = moved(places, new Set([0, 1]), 99_999, 99_999, SHEET);
    expect(far[1]).toMatchObject({ left: 20_000, top: 29_200 });
    expect(far[0]).toMatchObject({ left: 19_700, top: 29_000 });
  });

  test("without a selection nothing moves", () => {
    const places = [place(1, 2)];
    expect(moved(places, new Set(), 5, 5, SHEET)).toBe(places);
  });
});

test("a place stays on its page and does not vanish however it is resized", () => {
  const [large] = resized([place(20_500, 29_500, 100, 100)], new Set([0]), 9_000, 9_000, SHEET);
  expect(large).toMatchObject({ width: 500, height: 200, left: 20_500, top: 29_500 });
  const [small] = resized([place(0, 0)], new Set([0]), -9_000, -9_000, SHEET);
  expect(small).toMatchObject({ width: 50, height: 50 });
});

describe("aligning with the one selected first", () => {
  const places = [place(1_000, 1_000, 2_000, 600), place(4_000, 3_000), place(9_000, 9_000)];
  test.each([
    ["left", [1_000, 1_000, 9_000]],
    ["centre", [1_000, 1_500, 9_000]],
    ["right", [1_000, 2_000, 9_000]],
  ] as const)("%s", (edge, expected) => {
    const at = aligned(places, new Set([0, 1]), edge, SHEET);
    expect(lefts(at)).toEqual(expected);
    expect(tops(at)).toEqual(tops(places));
  });
  test.each([
    ["top", [1_000, 1_000, 9_000]],
    ["middle", [1_000, 1_050, 9_000]],
    ["bottom", [1_000, 1_100, 9_000]],
  ] as const)("%s", (edge, expected) => {
    const at = aligned(places, new Set([0, 1]), edge, SHEET);
    expect(tops(at)).toEqual(expected);
    expect(lefts(at)).toEqual(lefts(places));
  });
  test("the order of selecting decides", () =>
    expect(lefts(aligned(places, new Set([1, 0]), "left", SHEET))).toEqual([4_000, 4_000, 9_000]));
});

test("the same size, as far as the page goes", () => {
  const places = [place(0, 0, 5_000, 900), place(18_000, 100)];
  expect(sameSize(places, new Set([0, 1]), "width", SHEET)[1]).toMatchObject({ width: 3_000, height: 500 });
  expect(sameSize(places, new Set([0, 1]), "height", SHEET)[1]).toMatchObject({ width: 1_000, height: 900 });
});

test("spreading makes the gaps alike and leaves the outer ones where they are", () => {
  const places = [place(0, 0, 1_000), place(1_200, 0, 2_000), place(9_000, 0, 1_000)];
  const at = spread(places, new Set([2, 0, 1]), "across");
  expect(lefts(at)).toEqual([0, 4_000, 9_000]);
  expect(spread(places, new Set([0, 1]), "across")).toBe(places);
});

test("copies lie on the other page, and are no longer those of the file", () => {
  const [copy] = copied([place(20_000, 29_000, 1_000, 700)], new Set([0]), { width: 14_800, height: 21_000 });
  expect(copy).toMatchObject({ left: 13_800, top: 20_300, source: "", script: "" });
});

test("a place is drawn from any corner to any other, on the page", () => {
  expect(drawn({ x: 500, y: 900 }, { x: 100, y: 200 }, SHEET)).toEqual({
    left: 100,
    top: 200,
    width: 400,
    height: 700,
  });
  expect(drawn({ x: 20_990, y: 10 }, { x: 99_999, y: 10 }, SHEET)).toEqual({
    left: 20_950,
    top: 10,
    width: 50,
    height: 50,
  });
});

test("notes stand where they would like to, or below the one above", () => {
  expect(
    stacked(
      [
        { top: 0, height: 30 },
        { top: 10, height: 20 },
        { top: 200, height: 10 },
      ],
      4,
    ),
  ).toEqual([0, 34, 200]);
  expect(
    stacked(
      [
        { top: 5, height: 0 },
        { top: 5, height: 10 },
      ],
      4,
    ),
  ).toEqual([5, 5]);
});
