import { describe, expect, test } from "vitest";
import type { FunctionView, NameView } from "../../api/types";
import { completed, completions, isInQuotes, mended, openCall, wordsAt } from "./formulas";

const made = (name: string, parameters: string[], variadic = false): FunctionView => ({
  name,
  parameters,
  required: 1,
  variadic,
  says: `What ${name} gives.`,
  example: "",
});
const FUNCTIONS = [
  made("round half up", ["n", "scale"]),
  made("round up", ["n", "scale"]),
  made("sum", ["list"], true),
  made("starts", ["first", "second"]),
  made("starts with", ["string", "match"]),
  made("working days", ["from", "to", "holidays"]),
];
const NAMES: NameView[] = [
  { name: "planned_depth", label: "How deep it goes", type: "a number" },
  { name: "purpose", label: "Purpose", type: "text" },
  { name: "bills", label: "Bills", type: "a list of rows" },
  { name: "bills.amount", label: "Amount", type: "a list of numbers" },
];
const offered = (formula: string) =>
  completions(formula, formula.length, NAMES, FUNCTIONS)?.list.map(({ label }) => label) ?? [];

describe("what is completed", () => {
  test.each([
    ["pl", ["planned_depth"]],
    ["depth", ["planned_depth"]],
    ["deep", ["planned_depth"]],
    ["2 * pur", ["purpose"]],
    ["sum(bills.a", ["bills.amount"]],
    ["bill", ["bills", "bills.amount"]],
    ["round h", ["round half up"]],
    ["half", ["round half up"]],
    ["if round u", ["round up"]],
    ["starts", ["starts", "starts with"]],
    ["working d", ["working days"]],
    ["purpose", []],
    ['"pur', []],
    ["12", []],
    ["", []],
    ["xyz", []],
  ])("%s is offered %j", (formula, labels) => expect(offered(formula)).toEqual(labels));

  test("stands in the place of what was typed of it", () => {
    const at = completions("2 * pur + 1", 7, NAMES, FUNCTIONS)!;
    expect(completed("2 * pur + 1", at.at, at.list[0]!)).toEqual({ formula: "2 * purpose + 1", caret: 11 });
  });

  test("a function opens its bracket, once", () => {
    const open = completions("su", 2, NAMES, FUNCTIONS)!;
    expect(completed("su", open.at, open.list[0]!)).toEqual({ formula: "sum(", caret: 4 });
    const there = completions("su(bills.amount)", 2, NAMES, FUNCTIONS)!;
    expect(completed("su(bills.amount)", there.at, there.list[0]!).formula).toBe("sum(bills.amount)");
  });

  test("words are looked for from the longest to the last", () =>
    expect(wordsAt("if round h", 10).map(({ text }) => text)).toEqual(["if round h", "round h", "h"]));

  test.each([
    ['"a', true],
    ['"a"', false],
    ['"a\\"', true],
    ['"a" + "', true],
  ])("%s ends in quotes: %s", (formula, inside) => expect(isInQuotes(formula, formula.length)).toBe(inside));
});

describe("the call that is being written", () => {
  test.each([
    ["round half up(", "round half up", 0],
    ["round half up(depth, ", "round half up", 1],
    ["round half up(sum(a, b), ", "round half up", 1],
    ["sum(a, b, c", "sum", 0],
    ["starts with(a", "starts with", 0],
    ["working days([1, 2], ", "working days", 1],
    ['working days("(,", ', "working days", 1],
  ])("%s is %s, parameter %i", (formula, name, parameter) => {
    const call = openCall(formula, formula.length, FUNCTIONS);
    expect(call?.function.name).toBe(name);
    expect(call?.parameter).toBe(parameter);
  });

  test.each(["sum(a)", "(a", "other(a", "sum([a", "mysum(a"])("there is none at the end of %s", (formula) =>
    expect(openCall(formula, formula.length, FUNCTIONS)).toBeNull(),
  );
});

test("a suggestion stands in the place of the trouble", () => {
  const trouble = { at: 4, end: 6, message: "", instead: "!=" };
  expect(mended("n m <> 3", trouble)).toBe("n m != 3");
  expect(mended("n m <> 3", { ...trouble, instead: null })).toBeNull();
});
