import { expect, test } from "vitest";
import { ranges, saidOnce } from "./remarks";

test.each([
  [[], ""],
  [[4], "4"],
  [[1, 2], "1 to 2"],
  [[1, 2, 3, 5, 8, 9], "1 to 3, 5, 8 to 9"],
])("the numbers %j are written %j", (numbers, written) => expect(ranges(numbers)).toBe(written));

test("a sentence is said once, where it was said first, of all documents", () => {
  expect(
    saidOnce([
      { number: 1, sentence: "a" },
      { number: 1, sentence: "b" },
      { number: 2, sentence: "a" },
      { number: 4, sentence: "a" },
    ]),
  ).toEqual([
    { sentence: "a", numbers: "1 to 2, 4" },
    { sentence: "b", numbers: "1" },
  ]);
});
