import { afterEach, beforeEach, expect, test, vi } from "vitest";
import type { Sheet } from "../api/types";
import { type Answer, type Asked, serverThat, settled } from "../testing/server";
import { Filling } from "./filling.svelte";

beforeEach(() => localStorage.clear());
afterEach(() => vi.unstubAllGlobals());

function sheet(answers: Record<string, string> = {}): Sheet {
  return {
    answers,
    record: null,
    nodes: {},
    states: {},
    held: {},

    progress: [],
    obstacles: [],
  } as never;
}

const kept = {
  body: {
    held: {},
    nodes: {},
    states: {},

    progress: [],
    obstacles: [],
    kept: "2026-11-26T10:00:00Z",
  },
};
const failing = (): Answer => ({ status: 500, detail: "Something went wrong, number 1234-5678." });

async function opened(answers: (asked: Asked) => Answer) {
  const all = serverThat((asked) => (asked.method === "GET" ? { body: sheet() } : answers(asked)));
  const filling = new Filling("link");
  await filling.open();
  return { filling, sent: () => all.filter(({ method }) => method === "PUT").map(({ path }) => path) };
}

test("an answer that could not be kept stays, is found again, and is tried again when its filler says so", async () => {
  let broken = true;
  const { filling } = await opened(() => (broken ? failing() : kept));
  filling.type("depth", "12");
  await settled();
  expect(filling.hasFailed).toBe(true);
  expect(filling.refused).toContain("1234-5678");

  const reloaded = new Filling("link");
  await reloaded.open();
  expect(reloaded.typed.depth).toBe("12");

  broken = false;
  await filling.tryAgain();
  expect(filling.hasFailed).toBe(false);
  expect(filling.refused).toBe("");
  expect(localStorage.getItem("unsent link")).toBeNull();
});

test("one answer that fails does not keep others from being kept", async () => {
  const { filling, sent } = await opened(({ path }) => (path.endsWith("/bad") ? failing() : kept));
  filling.type("bad", "x");
  filling.type("good", "y");
  await settled();
  expect(sent()).toEqual(["/api/fill/link/answers/bad", "/api/fill/link/answers/good"]);
  expect(JSON.parse(localStorage.getItem("unsent link")!)).toEqual({ bad: "x" });
});

test("typing once more is a new try", async () => {
  let broken = true;
  const { filling } = await opened(() => (broken ? failing() : kept));
  filling.type("depth", "12");
  await settled();
  broken = false;
  filling.type("depth", "13");
  await settled();
  expect(filling.hasFailed).toBe(false);
});

test("a document is not finished while an answer is not kept", async () => {
  const { filling } = await opened(({ method }) =>
    method === "PUT" ? failing() : { body: { record: 1, obstacles: [] } },
  );
  filling.type("depth", "12");
  await filling.finish();
  expect(filling.isOver).toBe(false);
  expect(filling.refused).toContain("1234-5678");
});

test("what is refused for what it is is not sent again, but is said", async () => {
  const { filling } = await opened(() => ({ status: 409, detail: "This field is locked." }));
  filling.type("depth", "12");
  await settled();
  expect(filling.hasFailed).toBe(false);
  expect(filling.refused).toBe("This field is locked.");
  expect(localStorage.getItem("unsent link")).toBeNull();
});

test.each([401, 403, 429])("nothing is lost where the server does not look at it (%i)", async (status) => {
  const { filling } = await opened(() => ({ status, detail: "Not now." }));
  filling.type("depth", "12");
  await settled();
  expect(JSON.parse(localStorage.getItem("unsent link")!)).toEqual({ depth: "12" });
});

test("what appears comes with its words, and what folds leaves as it was", async () => {
  const asked = (label: string) => ({ type: "field", key: "depth", label });
  const { filling } = await opened(({ body }) => {
    const shown = (body as { typed: string }).typed === "yes";
    return {
      body: {
        ...kept.body,
        held: { s: shown ? ["well", "depth"] : ["well"] },
        nodes: shown ? { depth: asked("How deep is it?") } : {},
        states: { depth: shown ? { type: "field", shown, value: "12" } : { type: "plain", shown } },
      },
    };
  });
  filling.type("well", "yes");
  await settled();
  expect(filling.field("depth")!.label).toBe("How deep is it?");
  expect(filling.sheet!.held.s).toEqual(["well", "depth"]);
  expect(filling.news).toBe("New question: How deep is it?");
  filling.type("well", "no");
  await settled();
  expect(filling.sheet!.held.s).toEqual(["well"]);
  expect(filling.sheet!.states.depth).toEqual({ type: "field", shown: false, value: "12" });
});
