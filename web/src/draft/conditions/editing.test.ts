import { cleanup, render, screen } from "@testing-library/svelte";
import userEvent from "@testing-library/user-event";
import { afterEach, beforeEach, expect, test, vi } from "vitest";
import type { Condition } from "../../api/types";
import { draftOf, fieldView, NUMBER, PUMPS, TEXT } from "../../testing/draft";
import InDraft from "../../testing/InDraft.svelte";
import { serverThat } from "../../testing/server";
import type { WorkingCopy } from "../workingCopy.svelte";
import ConditionEditor from "./ConditionEditor.svelte";
import NewClause from "./NewClause.svelte";

let copy: WorkingCopy;
/** The condition as its author has it by now; null when nothing is left of it. */
let kept: Condition | null;
const user = userEvent.setup();

beforeEach(() => {
  serverThat(() => ({ body: {} }));
  copy = draftOf(
    fieldView("depth", "Depth", NUMBER),
    fieldView("width", "Width", NUMBER),
    fieldView("pump", "Pump", PUMPS),
    fieldView("maker", "Maker", TEXT),
  );
});
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const more = (number: string, field = "depth"): Condition => ({
  type: "comparison",
  field,
  test: "more",
  to: { type: "number", number },
  whenBlank: null,
});
const isMotor: Condition = {
  type: "choice",
  field: "pump",
  test: "is",
  choices: ["motor"],
  whenBlank: null,
} as Condition;

/** Shows the editor of a condition, again after each change, as the Draft view does. */
async function editing(condition: Condition) {
  kept = condition;
  const about = (now: Condition) => ({
    condition: now,
    onchange: (change: (now: Condition) => Condition | null) => {
      kept = change(kept!);
      if (kept) void shown.rerender({ copy, of: ConditionEditor, about: about(kept) });
    },
  });
  const shown = render(InDraft, { copy, of: ConditionEditor, about: about(condition) });
}

async function pick(label: string, option: string) {
  await user.click(screen.getByRole("button", { name: new RegExp(`^${label}:`) }));
  await user.click(screen.getByRole("option", { name: option }));
}

test("a number is typed, and is kept as it was typed", async () => {
  await editing(more("5"));
  const value = screen.getByRole("textbox", { name: "Value" });
  expect(value).toHaveProperty("value", "5");
  await user.clear(value);
  await user.type(value, "1,000.50");
  await user.tab();
  expect(kept).toMatchObject({ type: "comparison", test: "more", to: { number: "1,000.50" } });
});

test.each(["deep", "1e5", "5 m"])("“%s” is told to be no number, and the condition stays", async (typed) => {
  await editing(more("5"));
  const value = screen.getByRole("textbox", { name: "Value" });
  await user.clear(value);
  await user.type(value, typed);
  await user.tab();
  expect(value.getAttribute("aria-invalid")).toBe("true");
  expect(screen.getByText(/Write a number/)).toBeTruthy();
  expect(kept).toEqual(more("5"));
});

test("another verb asks for what it needs, and keeps what still fits", async () => {
  await editing(more("5"));
  await pick("Verb", "is between");
  await user.type(screen.getByRole("textbox", { name: "Upper edge" }), "9");
  await user.tab();
  expect(kept).toMatchObject({
    type: "between",
    field: "depth",
    from: { number: "5" },
    to: { number: "9" },
  });
});

test("choices are ticked one after the other, and the words follow", async () => {
  await editing(isMotor);
  await user.click(screen.getByRole("button", { name: "Choices: Motor" }));
  await user.click(screen.getByRole("option", { name: /Sun/ }));
  expect(kept).toMatchObject({ choices: ["motor", "sun"] });
  expect(screen.getByRole("button", { name: "Verb: is one of" })).toBeTruthy();
  await user.click(screen.getByRole("option", { name: /Motor/ }));
  expect(kept).toMatchObject({ choices: ["sun"] });
});

test("what is said when nothing is answered turns, and turns back to the usual", async () => {
  await editing(more("5"));
  await user.click(screen.getByRole("button", { name: "not when blank" }));
  expect(kept).toMatchObject({ whenBlank: true });
  await user.click(screen.getByRole("button", { name: "also when blank" }));
  expect(kept).toMatchObject({ whenBlank: null });
});

test("and, or, a group in it, and back to one clause", async () => {
  const both: Condition = { type: "all", conditions: [more("5"), isMotor] };
  await editing(both);
  await user.click(screen.getByRole("button", { name: "and" }));
  expect(kept).toEqual({ ...both, type: "any" });
  await pick("How many of these", "at least");
  expect(kept).toEqual({ ...both, type: "atLeast", count: 2 });
  const least = screen.getByRole("spinbutton", { name: "The least number of these" });
  await user.clear(least);
  await user.type(least, "1");
  await user.tab();
  expect(kept).toMatchObject({ type: "atLeast", count: 1 });
  await pick("How many of these", "all of");
  await user.click(screen.getAllByRole("button", { name: "(or …)" })[0]!);
  await user.type(screen.getByRole("combobox"), "Pump is Hand");
  await user.keyboard("{Enter}");
  expect(kept).toMatchObject({
    type: "all",
    conditions: [{ type: "any", conditions: [more("5"), { field: "pump", choices: ["hand"] }] }, isMotor],
  });
  await user.click(screen.getAllByRole("button", { name: "Take this clause away" })[1]!);
  expect(kept).toEqual({ type: "all", conditions: [more("5"), isMotor] });
  await user.click(screen.getAllByRole("button", { name: "Take this clause away" })[0]!);
  expect(kept).toEqual(isMotor);
  await user.click(screen.getByRole("button", { name: "Take this clause away" }));
  expect(kept).toBeNull();
});

test("joined by the other word, something new stands against the whole", async () => {
  await editing({ type: "all", conditions: [more("5"), isMotor] });
  await user.click(screen.getByRole("button", { name: "or …" }));
  await user.type(screen.getByRole("combobox"), "Pump is Sun");
  await user.keyboard("{Enter}");
  expect(kept).toMatchObject({
    type: "any",
    conditions: [
      { type: "all", conditions: [more("5"), isMotor] },
      { field: "pump", choices: ["sun"] },
    ],
  });
});

test("a number is compared with the answer to another field, which is one of its kind", async () => {
  await editing(more("5"));
  await pick("Value is", "the answer to another field");
  expect(screen.getAllByRole("option").map((it) => it.textContent?.trim())).toEqual(["Width"]);
  await user.click(screen.getByRole("option", { name: "Width" }));
  expect(kept).toMatchObject({ to: { type: "field", field: "width" } });
});

test("one line is a whole clause, for every field it can mean", async () => {
  const added: Condition[] = [];
  render(InDraft, {
    copy,
    of: NewClause,
    about: { except: ["width"], onadd: (it: Condition) => added.push(it), oncancel: () => {} },
  });
  await user.type(screen.getByRole("combobox"), "Depth > 12.5");
  await user.keyboard("{Enter}");
  expect(added).toMatchObject([{ type: "comparison", field: "depth", test: "more", to: { number: "12.5" } }]);
});

test("who gives up is asked nothing more", async () => {
  const gone = vi.fn();
  render(InDraft, { copy, of: NewClause, about: { except: [], onadd: () => {}, oncancel: gone } });
  await user.keyboard("{Escape}");
  expect(gone).toHaveBeenCalledOnce();
});
