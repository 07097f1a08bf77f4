import { afterEach, beforeEach, expect, test, vi } from "vitest";
import type { DraftChange, Edit } from "../api/types";
import { type Answer, type Asked, serverThat, settled } from "../testing/server";
import { actions } from "./actions";
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
