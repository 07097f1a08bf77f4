import { flushSync } from "svelte";
import { afterEach, beforeEach, expect, test, vi } from "vitest";
import { serverThat, settled } from "../testing/server";
import { Filling } from "./filling.svelte";

beforeEach(() => localStorage.clear());
afterEach(() => vi.unstubAllGlobals());

const node = (label: string) => ({ type: "field", key: "depth", label });

const sheet = {
  answers: {},
  record: null,
  nodes: { depth: node("Depth"), width: node("Width") },
  states: {},
  held: { "": ["page"], page: ["depth"] },
  progress: [],
  obstacles: [],
};

async function opened(nodes: Record<string, unknown>, held: Record<string, string[]>) {
  const kept = { held, nodes, states: {}, progress: [], obstacles: [], kept: "2026-11-29T10:00:00Z" };
  serverThat(({ method }) => ({ body: structuredClone(method === "GET" ? sheet : kept) }));
  const filling = new Filling("link");
  await filling.open();
  const looks = { nodes: 0, held: 0 };
  const stop = $effect.root(() => {
    $effect(() => {
      Object.values(filling.sheet!.nodes).forEach((it) => it.type);
      looks.nodes++;
    });
    $effect(() => {
      Object.values(filling.sheet!.held).forEach((it) => it.length);
      looks.held++;
    });
  });
  flushSync();
  filling.type("depth", "1");
  await settled();
  flushSync();
  stop();
  return { filling, looks };
}

test("what is told again as it was is no reason to look at anything again", async () => {
  const { looks } = await opened({ depth: node("Depth") }, { page: ["depth"] });
  expect(looks).toEqual({ nodes: 1, held: 1 });
});

test("what is told otherwise, or for the first time, is taken", async () => {
  const { filling, looks } = await opened(
    { depth: node("Depth in m"), new: node("New") },
    { page: ["depth", "new"] },
  );
  expect(looks).toEqual({ nodes: 2, held: 2 });
  expect(filling.field("depth")!.label).toBe("Depth in m");
  expect(filling.sheet!.held.page).toEqual(["depth", "new"]);
});

test("sections are forms of their own, but for so many fields that no browser looks at them", async () => {
  const wrap = async (fields: number, pages: number) => {
    const filling = new Filling("link");
    const nodes: Record<string, unknown> = {};
    for (let i = 0; i < fields; i++) nodes[`field_${i}`] = node("Field");
    for (let i = 0; i < pages; i++) nodes[`page_${i}`] = { type: "page", key: `page_${i}` };
    serverThat(() => ({ body: { ...structuredClone(sheet), nodes } }));
    await filling.open();
    return filling.wrap;
  };
  expect(await wrap(200, 1)).toBe("form");
  expect(await wrap(201, 1)).toBe("div");
  expect(await wrap(400, 2)).toBe("form");
});

test("sections stand in what they stood in at first, however much appears", async () => {
  const more = Object.fromEntries(Array.from({ length: 600 }, (_, i) => [`field_${i}`, node(`Field ${i}`)]));
  const { filling } = await opened(more, {});
  expect(Object.keys(filling.sheet!.nodes)).toHaveLength(602);
  expect(filling.wrap).toBe("form");
});
