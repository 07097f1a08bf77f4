import { cleanup, render, screen, within } from "@testing-library/svelte";
import userEvent from "@testing-library/user-event";
import { afterEach, expect, test, vi } from "vitest";
import type { Returned, ReturnedFile as Seen } from "../api/types";
import { serverThat, settled, type Answer } from "../testing/server";
import ReturnedFile from "./ReturnedFile.svelte";

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const form = (position: number, others: Partial<Returned> = {}): Returned => ({
  position,
  called: `Well ${position}`,
  taken: 4,
  notTaken: [],
  inTheWay: [],
  record: null,
  ...others,
});

const seen = (forms: Returned[], releases = [1]): Seen => ({
  release: releases[0]!,
  releases,
  first: {},
  forms,
});

async function shown(answers: (path: string) => Answer) {
  const asked = serverThat(({ path }) => answers(path));
  const ontaken = vi.fn();
  const onputaway = vi.fn();
  const file = new File(["x"], "wells.csv");
  render(ReturnedFile, { template: "t", file, ontaken, onputaway });
  await settled();
  return { asked, ontaken, onputaway };
}

test("what is whole is looked at first, and taken only when somebody says so", async () => {
  const { asked, ontaken } = await shown((path) =>
    path.includes("/answers") ? { body: seen([form(1)]) } : { body: seen([form(1, { record: 7 })]) },
  );
  expect(asked.map(({ path }) => path)).toEqual(["/api/templates/t/answers?release=0"]);
  expect(screen.getByText("4 answers; nothing is missing.")).toBeTruthy();
  expect(ontaken).not.toHaveBeenCalled();

  await userEvent.click(screen.getByRole("button", { name: "Take it into the records" }));
  await settled();
  expect(asked[1]!.path).toBe("/api/templates/t/records?release=1&name=wells.csv");
  expect(ontaken).toHaveBeenCalledOnce();
  expect(screen.getByRole("link", { name: "7" }).getAttribute("href")).toBe("/templates/t/records/7");
  expect(screen.queryByRole("button", { name: /Take/ })).toBeNull();
});

test("of a table it is told what cannot be taken, what would not be, and what was", async () => {
  await shown(() => ({
    body: seen([
      form(1),
      form(2, { inTheWay: ["“Depth”: This still needs an answer."] }),
      form(3, { notTaken: ["“Colour” is no question of this document."] }),
      form(4, { record: 2 }),
    ]),
  }));
  expect(screen.getByText("4 documents")).toBeTruthy();
  expect(screen.getByRole("button", { name: "Take 2 into the records" })).toBeTruthy();
  const told = screen.getAllByRole("listitem").map((it) => it.textContent?.replace(/\s+/g, " ").trim());
  expect(told).toContain("“Depth”: This still needs an answer.");
  expect(told).toContain("Not taken (3): “Colour” is no question of this document.");
  expect(told.some((it) => it?.startsWith("4, “Well 4”: was taken before, as record 2"))).toBe(true);
  expect(told.some((it) => it?.startsWith("1, "))).toBe(false);
});

test("of very many with something to say the first are shown, and all when asked for", async () => {
  const many = Array.from({ length: 45 }, (_, i) => form(i + 1, { inTheWay: ["“Depth”: Too deep."] }));
  await shown(() => ({ body: seen(many) }));
  expect(screen.getAllByText("“Depth”: Too deep.")).toHaveLength(20);
  await userEvent.click(screen.getByRole("button", { name: "All 45 of them" }));
  expect(screen.getAllByText("“Depth”: Too deep.")).toHaveLength(45);
  expect(screen.queryByRole("button", { name: /Take/ })).toBeNull();
});

test("for another release the file is looked at once more", async () => {
  const { asked } = await shown((path) => ({
    body: path.endsWith("=1") ? { ...seen([form(1)], [2, 1]), release: 1 } : seen([form(1)], [2, 1]),
  }));
  const chosen = screen.getByRole("combobox", { name: "of release" });
  await userEvent.selectOptions(chosen, "1");
  await settled();
  expect(asked.map(({ path }) => path)).toEqual([
    "/api/templates/t/answers?release=0",
    "/api/templates/t/answers?release=1",
  ]);
});

test("a file that cannot be read says so, and can be put away", async () => {
  const { onputaway } = await shown(() => ({ status: 422, detail: "Nothing is filled in in this file." }));
  expect(within(screen.getByRole("alert")).getByText(/Nothing is filled in/)).toBeTruthy();
  await userEvent.click(screen.getByRole("button", { name: /Put away/ }));
  expect(onputaway).toHaveBeenCalledOnce();
});
