import { expect, test } from "vitest";
import type { TriedClause } from "../api/types";
import { byItem, missing, percent } from "./coverage";

const clause = (over: Partial<TriedClause>): TriedClause => ({
  key: "lime",
  what: "shown",
  clause: "pH is at most 5.5",
  isMet: true,
  isNotMet: true,
  decidesMet: true,
  decidesNotMet: true,
  ...over,
});

test.each([
  [{ isMet: false, isNotMet: false, decidesMet: false, decidesNotMet: false }, "in no trial"],
  [{ isMet: false, decidesMet: false }, "never met"],
  [{ isNotMet: false, decidesNotMet: false }, "always met"],
  [{ decidesMet: false, decidesNotMet: false }, "never decides by itself"],
  [{ decidesMet: false }, "never decides by itself where it is met"],
  [{ decidesNotMet: false }, "never decides by itself where it is not met"],
])("of a clause is missing %o", (over, words) => expect(missing(clause(over))).toBe(words));

test.each([
  [0, 0, "none to try"],
  [0, 7, "0 %"],
  [3, 4, "75 %"],
  [999, 1000, "99 %"],
  [1000, 1000, "all"],
])("%i of %i is %s", (part, of, words) => expect(percent(part, of)).toBe(words));

test("what is not tried stands with what it is about; what belongs to no item with its decision", () => {
  const groups = byItem([
    clause({}),
    clause({ key: "", what: "can be finished" }),
    clause({ what: "required" }),
    clause({ key: "crop" }),
  ]);
  expect(groups.map(([about, clauses]) => [about, clauses.length])).toEqual([
    ["lime", 2],
    ["can be finished", 1],
    ["crop", 1],
  ]);
});
