import { expect, test } from "vitest";
import type { DraftSettings, NodeView, Promised, PromiseVerdict } from "../api/types";
import { fieldView, NUMBER, PUMPS } from "../testing/draft";
import { WorkingCopy } from "../draft/workingCopy.svelte";
import {
  ANSWER,
  DOCUMENT,
  SEVERAL,
  exampleWords,
  isWhole,
  predicateOf,
  predicates,
  promising,
  subjectOf,
  subjects,
  told,
} from "./promises";

function copyWith(): WorkingCopy {
  const copy = new WorkingCopy("t");
  copy.nodes.set("depth", fieldView("depth", "Depth", NUMBER));
  copy.nodes.set("pump", fieldView("pump", "Pump", PUMPS));
  copy.settings = {
    roles: [
      {
        role: { key: "witness", name: "Witness", order: 1, takesPart: null },
        takesPart: { aspects: [], parts: [] },
      },
    ],
  } as unknown as DraftSettings;
  return copy;
}

test("all that a promise can be about is offered", () => {
  expect(subjects(copyWith()).map(({ label }) => label)).toEqual([
    "Depth",
    "Pump",
    "One of several …",
    "Witness",
    "An answer …",
    "The document",
  ]);
});

test("what can be said of something fits what it is", () => {
  const copy = copyWith();
  const of = (subject: string) => predicates(copy, subject).map(({ label }) => label);
  expect(of("depth")).toEqual([
    "always shown",
    "never shown",
    "always required",
    "never required",
    "always editable",
    "never editable",
    "always looking …",
    "never looking …",
  ]);
  expect(of(SEVERAL)).toEqual(["exactly one is shown", "at most one is shown", "at least one is shown"]);
  expect(of("\nrole witness")).toEqual(["always takes part", "never takes part"]);
  expect(of(DOCUMENT)).toEqual(["always be finished", "never be finished"]);
  expect(of("gone")).toEqual([]);
});

test("every promise that can be picked says what was picked", () => {
  const copy = copyWith();
  for (const { id: subject } of subjects(copy))
    for (const { id: predicate } of predicates(copy, subject)) {
      const promised = promising(subject, predicate, null);
      expect(subjectOf(promised)).toBe(subject);
      expect(predicateOf(promised)).toBe(predicate);
    }
});

test("what was said before stays where it can", () => {
  const several: Promised = { type: "someShown", keys: ["depth", "pump"], count: "exactlyOne" };
  expect(promising(SEVERAL, "some atMostOne", several)).toEqual({ ...several, count: "atMostOne" });
  const look = promising("depth", "always look", null);
  expect(look).toMatchObject({ type: "nodeLooks", look: { shade: "clay", bold: true } });
  expect(promising("depth", "never look", { ...look, look: { shade: "moss" } } as Promised)).toMatchObject({
    is: false,
    look: { shade: "moss" },
  });
});

test("a promise is kept only when it says enough", () => {
  expect(isWhole(null)).toBe(false);
  expect(isWhole(promising(SEVERAL, "some exactlyOne", null))).toBe(false);
  expect(isWhole({ type: "someShown", keys: ["a", "b"], count: "exactlyOne" })).toBe(true);
  expect(isWhole(promising(ANSWER, "always met", null))).toBe(false);
  expect(isWhole({ type: "isMet", condition: { type: "answered", field: "depth" }, is: true })).toBe(true);
  expect(isWhole(promising(DOCUMENT, "always finish", null))).toBe(true);
});

test("an example is told in the words of the document", () => {
  const copy = copyWith();
  const context = { today: "2028-02-28", stage: "filling", role: "" } as const;
  expect(exampleWords(copy, { answers: { depth: "30", pump: "" }, context })).toBe("Depth: 30");
  expect(exampleWords(copy, { answers: {}, context })).toBe("nothing answered");
  expect(
    exampleWords(copy, {
      answers: { "depth@r1": "1" },
      context: { ...context, stage: "print", role: "witness" },
    }),
  ).toBe("Depth: 1 · seen by Witness · at the stage print");
  copy.nodes.set("parts", { ...fieldView("parts", "Parts", NUMBER), node: { type: "section" } } as NodeView);
  expect(exampleWords(copy, { answers: { parts: "r1", "depth@r1": "1" }, context })).toBe(
    "Parts: 1 row · Depth: 1",
  );
  expect(exampleWords(copy, { answers: { parts: "r1,r2" }, context })).toBe("Parts: 2 rows");
});

test("verdicts are counted in words", () => {
  const kept: PromiseVerdict = { type: "kept", isIdle: false };
  expect(told([])).toBe("");
  expect(told([kept, { type: "open", because: [] }, kept])).toBe("2 kept, 1 not decided");
});
