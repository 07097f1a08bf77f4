import { afterEach, beforeEach, expect, test, vi } from "vitest";
import { Problem } from "../api/http";
import { type Answer, type Asked, serverThat, settled } from "../testing/server";
import { beginDraft, takeDraft } from "./firstDraft";

let asked: Asked[];
let answer: () => Answer;

beforeEach(async () => {
  answer = () => ({ body: { revision: asked.length } });
  asked = serverThat(() => answer());
  // Whatever another test began.
  await takeDraft("nobody's").catch(() => {});
  asked.length = 0;
});

afterEach(() => {
  vi.restoreAllMocks();
  vi.unstubAllGlobals();
});

test("a draft that was asked for beforehand is not asked for again", async () => {
  beginDraft("t");
  expect(await takeDraft("t")).toEqual({ revision: 1 });
  expect(asked.map(({ method, path }) => `${method} ${path}`)).toEqual(["GET /api/templates/t/draft"]);
});

test("it is taken once; whoever comes later sees it as it stands then", async () => {
  beginDraft("t");
  await takeDraft("t");
  expect(await takeDraft("t")).toEqual({ revision: 2 });
});

test("however often its page is loaded, it is on its way once", async () => {
  beginDraft("t");
  beginDraft("t");
  await takeDraft("t");
  expect(asked).toHaveLength(1);
});

test("the draft of another template is not taken for it", async () => {
  beginDraft("one");
  await takeDraft("other");
  beginDraft("one");
  await takeDraft("one");
  expect(asked.map(({ path }) => path.split("/")[3])).toEqual(["one", "other", "one"]);
});

test("one that has waited long is asked for anew", async () => {
  const now = vi.spyOn(performance, "now").mockReturnValue(1_000);
  beginDraft("t");
  await settled();
  now.mockReturnValue(11_001);
  expect(await takeDraft("t")).toEqual({ revision: 2 });
});

test("one that failed before anybody took it is asked for anew", async () => {
  answer = () => ({ status: 401 });
  beginDraft("t");
  await settled();
  answer = () => ({ body: { revision: 7 } });
  expect(await takeDraft("t")).toEqual({ revision: 7 });
});

test("one that fails on its way fails for who took it", async () => {
  answer = () => ({ status: 404, detail: "There is no such template." });
  beginDraft("t");
  await expect(takeDraft("t")).rejects.toThrow(Problem);
  expect(asked).toHaveLength(1);
});
