import { expect, test } from "vitest";
import { numeral, plain } from "./clauses";

test.each(["1000", "1,000", "-5.5", "−3", "12345678901234567.89", "1 000,5", ".5", "1'000"])(
  "%s goes to the server as it was typed",
  (typed) => expect(numeral(` ${typed} `)).toBe(typed),
);

test.each(["", "depth", "5 m", "2026-11-27", "1e5", "-", "0x10"])("%s is no number", (typed) =>
  expect(numeral(typed)).toBeNull(),
);

test.each([
  ["de", "1.234", "1,234"],
  ["de", "-12.345", "-12,345"],
  ["de", "1.2340", "1.2340"],
  ["de", "0.125", "0.125"],
  ["en", "1.234", "1.234"],
  ["", "1.234", "1.234"],
  ["not a language", "1.234", "1.234"],
])("in %s, %s goes to the server as %s", (language, typed, sent) =>
  expect(numeral(typed, language)).toBe(sent),
);

test.each([
  [1e21, "1000000000000000000000"],
  [1e-7, "0.0000001"],
  [10.5, "10.5"],
  [-1234.5, "-1234.5"],
])("%d is written without an exponent", (number, text) => expect(plain(number)).toBe(text));
