import { afterEach, beforeEach, expect, test, vi } from "vitest";
import type { DraftChange, DraftSettings, Edit } from "../api/types";
import { type Answer, type Asked, serverThat, settled } from "../testing/server";
import { actions } from "./actions";
import { lookedThrough } from "./lookedThrough.svelte";
import { WorkingCopy } from "./workingCopy.svelte";

let revision = 0;
let copy: WorkingCopy;

beforeEach(() => {
  revision = 0;
  copy = new WorkingCopy("t");
});
afterEach(() => vi.unstubAllGlobals());

function change(): DraftChange {
  return {
    revision: ++revision,
    changed: "2026-11-26T10:00:00Z",
    canUndo: true,
    canRedo: false,
    title: `Title ${revision}`,
    subtitle: "",
    held: {},
    nodes: {},
    inRows: {},
    shared: [],
    unmet: [],
    settings: null,
    gone: [],
  };
}

const titled = (title: string): Edit => ({ type: "retitle", title, subtitle: "" });
const failing = (): Answer => ({ status: 500, detail: "Something went wrong, number 1234-5678. Try again." });
const titles = (all: Asked[]) => all.map(({ body }) => (body as { edit: { title: string } }).edit.title);

test("an edit that fails says so with its number, and is made when its author tries again", async () => {
  let broken = true;
  serverThat(() => (broken ? failing() : { body: change() }));
  const made = copy.edit(titled("A"));
  await settled();
  expect(copy.refused).toMatchObject({ failed: true, message: expect.stringContaining("1234-5678") });
  broken = false;
  copy.tryAgain();
  expect(copy.refused).toBeNull();
  expect(await made).toEqual([]);
  expect(copy.title).toBe("Title 1");
});

test("what comes after a failed edit is made, and the failure is still told", async () => {
  const all = serverThat(({ body }) =>
    (body as { edit: { title: string } }).edit.title === "A" && revision === 0
      ? failing()
      : { body: change() },
  );
  void copy.edit(titled("A"));
  await copy.edit(titled("B"));
  expect(copy.refused?.failed).toBe(true);
  copy.tryAgain();
  await settled();
  expect(titles(all)).toEqual(["A", "B", "A"]);
  expect(copy.refused).toBeNull();
});

test("several that failed are tried again in their order", async () => {
  let broken = true;
  const all = serverThat(() => (broken ? failing() : { body: change() }));
  const both = [copy.edit(titled("A")), copy.edit(titled("B"))];
  await settled();
  broken = false;
  copy.tryAgain();
  await Promise.all(both);
  expect(titles(all)).toEqual(["A", "B", "A", "B"]);
});

test("a failure that its author closes ends as not done", async () => {
  serverThat(failing);
  const made = copy.edit(titled("A"));
  await settled();
  copy.dismiss();
  expect(await made).toBeNull();
  expect(copy.refused).toBeNull();
});

test("a mistake in the page itself does not stop what comes after", async () => {
  serverThat(() => ({ body: change() }));
  const broken = copy.edit(() => {
    throw new TypeError("of a page");
  });
  expect(await copy.edit(titled("B"))).toEqual([]);
  expect(copy.refused?.message).toContain("of a page");
  copy.dismiss();
  expect(await broken).toBeNull();
});

test("what is refused for what it is cannot be tried again as it is", async () => {
  serverThat(() => ({ status: 422, detail: "The title is empty." }));
  expect(await copy.edit(titled(""))).toBeNull();
  expect(copy.refused).toMatchObject({ failed: false, message: "The title is empty." });
});

test("what was typed last is what is sent, also when it is tried again", async () => {
  let broken = true;
  const all = serverThat(() => (broken ? failing() : { body: change() }));
  copy.tryOut("depth", "1");
  copy.tryOut("depth", "12");
  await settled();
  broken = false;
  copy.tryAgain();
  await settled();
  expect(all.map(({ body }) => body)).toEqual([
    { key: "depth", typed: "12" },
    { key: "depth", typed: "12" },
  ]);
});

test("the first edit of all is taken back while it is still on its way", async () => {
  const all = serverThat(() => ({ body: change() }));
  const made = copy.edit(titled("A"));
  const undo = actions(copy, { insert: () => {}, history: () => {}, palette: () => {} })[0]!;
  expect(undo).toMatchObject({ name: "undo", works: true });
  await Promise.all([made, undo.work()]);
  expect(all.map(({ path }) => path.replace(/^.*\//, ""))).toEqual(["edits", "undo"]);
});

test("where there is nothing to take back, nothing is asked", async () => {
  const all = serverThat(() => ({ body: change() }));
  await copy.undo();
  await copy.redo();
  expect(all).toEqual([]);
});

test("answers that others took the place of can be had back, and those that did as well", async () => {
  serverThat(() => ({ body: change() }));
  copy.answers = { depth: "12", note: "" };
  expect(copy.hasTriedBefore).toBe(false);
  await copy.clearAnswers();
  expect(copy.hasTriedBefore).toBe(true);
  const later = new WorkingCopy("t");
  later.answers = {};
  await later.tryBefore();
  expect(later.answers, "from another view too").toEqual({ depth: "12" });
  expect(later.hasTriedBefore, "nothing was there to be kept").toBe(false);
  await later.tryExample({ answers: { depth: "30" }, context: { today: "", stage: "filling", role: "" } });
  await later.tryBefore();
  expect(later.answers).toEqual({ depth: "12" });
  await later.tryBefore();
  expect(later.answers).toEqual({ depth: "30" });
});

test("a finding that is accepted is quiet at once, and told again where it is taken back", async () => {
  const found = {
    topic: "logic" as const,
    key: "",
    message: "Two say it.",
    blocks: false,
    example: null,
    mends: [],
    accepted: "",
  };
  const all = serverThat(({ path }) => ({
    body: path.endsWith("/proof")
      ? { revision, findings: [found], promises: [], trials: [], coverage: null }
      : change(),
  }));
  await copy.edit(titled("A"));
  await copy.lookThrough();
  expect(await copy.accept(found, "Both are meant.")).toBe(true);
  expect(all.at(-1)?.body).toMatchObject({
    edit: { type: "acceptFinding", key: "", message: "Two say it.", reason: "Both are meant." },
  });
  expect(copy.findings).toEqual([]);
  expect(copy.acceptedFindings).toEqual([{ ...found, accepted: "Both are meant." }]);
  expect(copy.isProven, "it is looked through anew all the same").toBe(false);
  await copy.accept(found, "");
  expect(copy.findings).toEqual([found]);
});

test("a finding whose acceptance was refused is told as before", async () => {
  const found = {
    topic: "logic" as const,
    key: "",
    message: "Two say it.",
    blocks: false,
    example: null,
    mends: [],
    accepted: "",
  };
  serverThat(({ path }) =>
    path.endsWith("/proof")
      ? { body: { revision, findings: [found], promises: [], trials: [], coverage: null } }
      : { status: 422, detail: "Not this one." },
  );
  await copy.lookThrough();
  expect(await copy.accept(found, "Meant.")).toBe(false);
  expect(copy.findings).toEqual([found]);
});

test("what the logic does for all answers is asked for once for each revision, and an example takes the place of what is typed", async () => {
  const found = {
    topic: "logic" as const,
    key: "",
    message: "Nothing is shown at 30 m.",
    blocks: false,
    example: null,
    mends: [],
    accepted: "",
  };
  const all = serverThat(({ path }) => ({
    body: path.endsWith("/proof")
      ? { revision, findings: [found], promises: [], trials: [], coverage: null }
      : change(),
  }));
  await copy.edit(titled("A"));
  await copy.lookThrough();
  await copy.lookThrough();
  expect(all.filter(({ path }) => path.endsWith("/proof"))).toHaveLength(1);
  expect(copy.findings).toEqual([found]);
  await copy.edit(titled("B"));
  expect(copy.findings, "stands until it is looked at anew").toEqual([found]);
  await copy.lookThrough();
  expect(all.filter(({ path }) => path.endsWith("/proof"))).toHaveLength(2);

  copy.answers = { other: "typed before" };
  await copy.tryExample({
    answers: { depth: "30", use: "" },
    context: { today: "2026-11-28", stage: "print", role: "" },
  });
  expect(copy.answers).toEqual({ depth: "30", use: "" });
  const sent = all.slice(-4).map(({ method, body }) => [method, body]);
  expect(sent).toEqual([
    ["DELETE", undefined],
    ["PUT", { key: "depth", typed: "30" }],
    ["PUT", { key: "use", typed: "" }],
    ["PUT", { stage: "print", role: "" }],
  ]);
});

test("promises and trials are told with what came of them only while that is of the document as it is", async () => {
  const sentence = { aspects: [], parts: [] };
  const settings = {
    findings: [],
    promises: [
      { rule: { whenever: { type: "always" }, promised: { type: "canFinish", is: true } }, sentence },
    ],
    trials: [
      { name: "Deep", answers: 1, expected: 2 },
      { name: "Flat", answers: 1, expected: 2 },
    ],
  } as unknown as DraftSettings;
  const missed = { address: "a", about: "A", expected: "shown", actual: "folded", because: "" };
  const trials = [
    { name: "Deep", missed: [missed] },
    { name: "Flat", missed: [] },
  ];
  serverThat(({ path }) => ({
    body: path.endsWith("/proof")
      ? { revision, findings: [], promises: [{ type: "kept", isIdle: false }], trials }
      : { ...change(), settings },
  }));
  await copy.edit(titled("A"));
  expect(copy.isProven).toBe(false);
  expect(copy.promises[0]!.verdict).toBeNull();
  await copy.lookThrough();
  expect(copy.isProven).toBe(true);
  expect(copy.promises[0]!.verdict).toEqual({ type: "kept", isIdle: false });
  expect(copy.trials.map(({ missed }) => missed)).toEqual([[missed], []]);
  await copy.edit(titled("B"));
  expect(copy.isProven).toBe(false);
  expect(copy.promises[0]!.verdict).toBeNull();
  expect(copy.trials.map(({ missed }) => missed)).toEqual([null, null]);
});

test("a trial is recorded by its name, or without one", async () => {
  const all = serverThat(() => ({ body: change() }));
  expect(await copy.record("")).toBe(true);
  await copy.expect("Deep");
  expect(all.map(({ method, path, body }) => [method, path.replace(/^.*\//, ""), body])).toEqual([
    ["POST", "trials", { name: "" }],
    ["PUT", "trials", { name: "Deep" }],
  ]);
});

test("a document that could not be looked through says why until it is tried again", async () => {
  let works = false;
  serverThat(({ path }) =>
    !path.endsWith("/proof")
      ? { body: change() }
      : works
        ? { body: { revision, findings: [], promises: [], trials: [], coverage: null } }
        : { status: 503, detail: "The server is restarting." },
  );
  await copy.edit(titled("A"));
  await copy.lookThrough();
  expect(copy.isProven).toBe(false);
  expect(copy.notLookedThrough).toContain("The server is restarting.");
  works = true;
  await copy.lookThrough();
  expect(copy.isProven).toBe(true);
  expect(copy.notLookedThrough).toBe("");
});

test("a document that was never edited is looked through too, when nobody types any more", async () => {
  vi.useFakeTimers();
  const all = serverThat(({ path }) => ({
    body: path.endsWith("/proof")
      ? { revision: 0, findings: [], promises: [], trials: [], coverage: null }
      : {
          ...change(),
          revision: 0,
          answers: {},
          stage: "filling",
          role: "",
          vocabulary: { operators: {} },
          release: 0,
        },
  }));
  const stop = $effect.root(() => lookedThrough(copy));
  await copy.open();
  await vi.advanceTimersByTimeAsync(700);
  expect(all.filter(({ path }) => path.endsWith("/proof"))).toHaveLength(1);
  expect(copy.isProven).toBe(true);
  await vi.advanceTimersByTimeAsync(5_000);
  expect(all.filter(({ path }) => path.endsWith("/proof"))).toHaveLength(1);
  stop();
  vi.useRealTimers();
});
