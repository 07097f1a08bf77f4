import { expect, test } from "vitest";
import type { AnswerPiece, Becomes, ReachColumn, ReachTable, PieceShape } from "../api/types";
import { KINDS } from "../api/kinds";
import {
  columnsNamed,
  besideFor,
  besideOf,
  canSet,
  cutOf,
  edgesIn,
  isFollowed,
  isIn,
  nextRow,
  patterns,
  said,
  strokes,
} from "./cells";

const piece = (shape: PieceShape): AnswerPiece => ({
  shape,
  words: shape,
  condition: { type: "always" },
  typed: "",
  others: [],
  isWhole: true,
  low: null,
  high: null,
});

const column = (key: string, over: Partial<ReachColumn> = {}): ReachColumn => ({
  key,
  name: key,
  heading: "shown",
  aspect: { type: "ofNode", aspect: "shown" },
  yes: "shown",
  no: "folded",
  isSettable: true,
  ...over,
});

function table(columns: ReachColumn[], becomes: Becomes[][]): ReachTable {
  const shapes: PieceShape[] = ["blank", "refused", "between", "exactly", "between"];
  return {
    field: "depth",
    rows: shapes.map(piece),
    columns,
    cells: becomes.map((row) => row.map((each) => ({ becomes: each, words: "", isTrouble: false }))),
    note: "",
  };
}

const log = table([column("log")], [["no"], [], ["no"], ["yes"], ["yes"]]);

test("painting from a cell sets the opposite of it, and passes by what is refused", () => {
  expect(strokes(log, { row: 2, column: 0, toRow: 2, toColumn: 0 }, [])).toEqual([
    { key: "log", aspect: { type: "ofNode", aspect: "shown" }, rows: [2], is: true },
  ]);
  expect(strokes(log, { row: 4, column: 0, toRow: 0, toColumn: 0 }, [])).toEqual([
    { key: "log", aspect: { type: "ofNode", aspect: "shown" }, rows: [0, 2, 3, 4], is: false },
  ]);
});

test("what follows nothing yet is to be so in these lines alone", () => {
  const fresh = table([column("crop")], [["yes"], [], ["yes"], ["yes"], ["yes"]]);
  expect(isFollowed(fresh, 0, ["crop"])).toBe(false);
  expect(isFollowed(log, 0, ["log"])).toBe(true);
  expect(strokes(fresh, { row: 2, column: 0, toRow: 3, toColumn: 0 }, ["crop"])[0]).toMatchObject({
    rows: [2, 3],
    is: true,
  });
  // What is so in all lines and follows already is folded there.
  expect(strokes(fresh, { row: 2, column: 0, toRow: 3, toColumn: 0 }, [])[0]).toMatchObject({ is: false });
});

test("what is not required yet becomes so in these lines alone", () => {
  const required = column("crop", { aspect: { type: "ofNode", aspect: "required" }, yes: "required" });
  const fresh = table([required], [["no"], [], ["no"], ["no"], ["no"]]);
  expect(besideOf(required)).toBe("crop required");
  expect(besideFor("crop", "required")).toBe("crop required");
  expect(besideFor("crop", "shown")).toBe("crop");
  expect(besideOf(column("crop"))).toBe("crop");
  expect(besideOf(column("fee", { aspect: { type: "ofValue" } }))).toBe("");
  expect(isFollowed(fresh, 0, ["crop required"])).toBe(false);
  expect(isFollowed(fresh, 0, ["crop"])).toBe(true);
  expect(strokes(fresh, { row: 2, column: 0, toRow: 3, toColumn: 0 }, ["crop required"])[0]).toMatchObject({
    rows: [2, 3],
    is: true,
  });
});

test("several columns are painted alike, and what is only read is left as it is", () => {
  const wide = table(
    [column("log"), column("fee", { aspect: { type: "ofValue" }, isSettable: false }), column("crop")],
    [["no", "says", "no"], [], ["no", "says", "yes"], ["yes", "says", "yes"], ["yes", "says", "no"]],
  );
  const all = strokes(wide, { row: 2, column: 0, toRow: 3, toColumn: 2 }, []);
  expect(all.map(({ key, rows, is }) => [key, rows, is])).toEqual([
    ["log", [2, 3], true],
    ["crop", [2, 3], true],
  ]);
  expect(isIn({ row: 3, column: 2, toRow: 2, toColumn: 0 }, 2, 1)).toBe(true);
  expect(isIn({ row: 3, column: 2, toRow: 2, toColumn: 0 }, 4, 1)).toBe(false);
});

test("columns that are not in sight are not painted", () => {
  const three = table(
    ["log", "crop", "fee"].map((key) => column(key)),
    [["no", "no", "no"], [], ["no", "no", "no"], ["no", "no", "no"], ["no", "no", "no"]],
  );
  expect(columnsNamed(three.columns, " O")).toEqual([0, 1, 2]);
  expect(columnsNamed(three.columns, "FE")).toEqual([2]);
  const all = strokes(three, { row: 2, column: 0, toRow: 2, toColumn: 2 }, [], [0, 2]);
  expect(all.map(({ key }) => key)).toEqual(["log", "fee"]);
});

test("keys pass by the lines that are refused, and stay where there is no other", () => {
  expect([0, 2, 4].map((row) => nextRow(log, row, 1))).toEqual([2, 3, 4]);
  expect([0, 2, 4].map((row) => nextRow(log, row, -1))).toEqual([0, 0, 3]);
  expect(nextRow(log, 3, 0)).toBe(3);
});

test("what nobody can answer or cannot be offered cannot be set", () => {
  const offered = table(
    [column("casing", { aspect: { type: "ofChoice", choice: "pvc" } })],
    [["no"], [], ["no"], ["no"], ["no"]],
  );
  expect([0, 1, 2].map((row) => canSet(offered, row, 0))).toEqual([false, false, true]);
  const read = table([column("fee", { isSettable: false })], [["says"], [], ["says"], ["says"], ["says"]]);
  expect(canSet(read, 2, 0)).toBe(false);
});

test("a cell says what becomes of its column, or its own words", () => {
  const shown = column("log");
  expect(said({ becomes: "yes", words: "", isTrouble: false }, shown)).toBe("shown");
  expect(said({ becomes: "no", words: "", isTrouble: false }, shown)).toBe("folded");
  expect(said({ becomes: "depends", words: "", isTrouble: false }, shown)).toBe("it depends");
  expect(said({ becomes: "says", words: "€ 120.00", isTrouble: false }, shown)).toBe("€ 120.00");
});

test.each([
  ["30 100", ["30", "100"]],
  [" 30;100 ;; 2.5\n", ["30", "100", "2.5"]],
  ["2026-11-24", ["2026-11-24"]],
  ["", []],
])("edges typed as %j", (typed, edges) => expect(edgesIn(typed)).toEqual(edges));

test("neighbouring ranges have other patterns", () => {
  expect(patterns(log.rows)).toEqual(["empty", "refused", "layer-0", "edge", "layer-1"]);
});

test("answers are cut by size or told apart by name, and by name only semicolons part them", () => {
  const cut = Object.values(KINDS).map(({ start }) => [start.type, cutOf(start)]);
  expect(Object.fromEntries(cut)).toMatchObject({
    number: "size",
    money: "size",
    rating: "size",
    date: "size",
    time: "size",
    text: "name",
    email: "name",
    lookup: "name",
    oneChoice: null,
    severalChoices: null,
    yesNo: null,
    signature: null,
    attachment: null,
    payment: null,
  });
  expect(edgesIn("30 100; 2.5")).toEqual(["30", "100", "2.5"]);
  expect(edgesIn("Upper Alden; Brunn ;", true)).toEqual(["Upper Alden", "Brunn"]);
});
