import { cleanup, render, screen } from "@testing-library/svelte";
import userEvent from "@testing-library/user-event";
import { afterEach, expect, test, vi } from "vitest";
import type { DraftSettings, Example, PromiseVerdict, Proof } from "../api/types";
import { draftOf, fieldView, NUMBER } from "../testing/draft";
import InDraft from "../testing/InDraft.svelte";
import PromiseList from "./PromiseList.svelte";

afterEach(cleanup);

const example: Example = {
  answers: { depth: "30" },
  context: { today: "2028-02-28", stage: "filling", role: "" },
};

/** The list with one promise of which this is known. */
function shown(verdict: PromiseVerdict) {
  const copy = draftOf(fieldView("depth", "Depth", NUMBER));
  const rule = { whenever: { type: "always" }, promised: { type: "canFinish", is: true } };
  copy.settings = {
    roles: [],
    promises: [{ rule, sentence: { parts: [{ kind: "word", text: "It can always be finished." }] } }],
  } as unknown as DraftSettings;
  const proof = { revision: copy.revision, promises: [verdict] } as unknown as Proof;
  Object.assign(copy, { proof });
  const onload = vi.fn();
  render(InDraft, { copy, of: PromiseList, about: { onload } });
  return onload;
}

test("what breaks a promise is told, tried, and ended where limits would do that", async () => {
  const onload = shown({ type: "broken", example, hint: "Limits end it." });
  expect(screen.getByText("broken")).toBeTruthy();
  expect(screen.getByText("Depth: 30")).toBeTruthy();
  expect(screen.getByText("Limits end it.")).toBeTruthy();
  await userEvent.setup().click(screen.getByRole("button", { name: "Try these answers" }));
  expect(onload).toHaveBeenCalledWith(example);
});

test("a promise that usual answers break has no more to say", () => {
  shown({ type: "broken", example, hint: "" });
  const promise = screen.getByText("broken").closest("li");
  expect(promise?.querySelectorAll("p")).toHaveLength(2);
});

test("what cannot be said of all names what is out of reach", () => {
  shown({ type: "open", because: ["width * length > 3", "the value worked out for “Sum”"] });
  expect(screen.getByText("not decided")).toBeTruthy();
  expect(screen.getByText(/because of: width \* length > 3; the value worked out for “Sum”\./)).toBeTruthy();
});

test("a promise about nothing says so", () => {
  shown({ type: "kept", isIdle: true });
  expect(screen.getByText("kept")).toBeTruthy();
  expect(screen.getByText(/it promises nothing/)).toBeTruthy();
});
