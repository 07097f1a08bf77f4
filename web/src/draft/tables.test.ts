import { expect, test } from "vitest";
import { pasted, tableText } from "./tables";

test.each([
  [
    "a\tb\nc\td",
    [
      ["a", "b"],
      ["c", "d"],
    ],
  ],
  [
    "a\tb\r\nc\td\r\n",
    [
      ["a", "b"],
      ["c", "d"],
    ],
  ],
  [
    "a;b\nc;d",
    [
      ["a", "b"],
      ["c", "d"],
    ],
  ],
  ["a;b\tc", [["a;b", "c"]]],
  ["one", [["one"]]],
  ["a\n\n \nb", [["a"], ["b"]]],
  [" a \t b ", [["a", "b"]]],
  ["a\t\tc", [["a", "", "c"]]],
  [
    "a\tb\n1;2\t3",
    [
      ["a", "b"],
      ["1;2", "3"],
    ],
  ],
  ["", []],
  [" \n\t", []],
])("%j is pasted as %j", (text, rows) => expect(pasted(text)).toEqual(rows));

test("what was copied is pasted as it was", () => {
  const rows = [
    ["Maker", "Rate"],
    ["Brink & Loos", "4.50"],
    ["Koldér", ""],
  ];
  expect(pasted(tableText(rows))).toEqual(rows);
});

test("a cell stays one cell, whatever stands in it", () =>
  expect(pasted(tableText([["a\tb\nc", "d"]]))).toEqual([["a b c", "d"]]));
