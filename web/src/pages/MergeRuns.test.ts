import { cleanup, fireEvent, render, screen } from "@testing-library/svelte";
import { afterEach, beforeEach, expect, test, vi } from "vitest";
import type { MergeRun, ToSend } from "../api/types";
import { serverThat, type Answer } from "../testing/server";
import MergeRuns from "./MergeRuns.svelte";

beforeEach(() => vi.useFakeTimers());

afterEach(() => {
  cleanup();
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

const FORM: ToSend = {
  title: "Well",
  release: 3,
  roles: [],
  fields: [
    { key: "owner", label: "Owner" },
    { key: "depth", label: 'Depth, "planned"' },
  ],
};

const run = (others: Partial<MergeRun>): MergeRun => ({
  id: "r",
  release: 3,
  making: "pdf",
  name: "wells.csv",
  documents: 40,
  tried: 10,
  made: 9,
  begun: "2026-11-28T10:00:00Z",
  ended: null,
  remarked: [],
  ...others,
});

async function shown(answers: (asked: { method: string; path: string }) => Answer) {
  const asked = serverThat(answers);
  render(MergeRuns, { template: "t", form: FORM });
  await vi.advanceTimersByTimeAsync(10);
  return asked;
}

test("a run is followed while it goes on, and no longer", async () => {
  let now = run({});
  const asked = await shown(() => ({ body: { runs: [now] } }));
  expect(screen.getByRole("progressbar", { name: "Documents of wells.csv" }).getAttribute("value")).toBe(
    "10",
  );
  expect(screen.getByText("10 of 40")).toBeTruthy();
  expect(screen.queryByRole("link", { name: /Save all/ })).toBeNull();

  now = run({ tried: 40, made: 38, ended: "2026-11-28T10:01:00Z" });
  await vi.advanceTimersByTimeAsync(1_100);
  expect(screen.getByText("38 of 40 made")).toBeTruthy();
  expect(screen.getByRole("link", { name: /Save all/ }).getAttribute("href")).toBe(
    "/api/templates/t/merges/r/documents.zip",
  );
  await vi.advanceTimersByTimeAsync(5_000);
  expect(asked).toHaveLength(2);
});

test("what is shown stays while the server cannot be reached", async () => {
  let answer: Answer = { body: { runs: [run({})] } };
  await shown(() => answer);
  answer = "unreachable";
  await vi.advanceTimersByTimeAsync(3_100);
  expect(screen.getByText("10 of 40")).toBeTruthy();
  answer = { body: { runs: [run({ tried: 20 })] } };
  await vi.advanceTimersByTimeAsync(1_100);
  expect(screen.getByText("20 of 40")).toBeTruthy();
});

test("a run is stopped, and what was made of it can be saved or thrown away", async () => {
  const stopped = run({
    ended: "2026-11-28T10:01:00Z",
    remarked: [{ number: 4, isMade: false, problems: ["Not answered yet: “Owner”."] }],
  });
  const asked = await shown(({ method, path }) => ({
    body: { runs: method === "DELETE" ? [] : [path.endsWith("/stop") ? stopped : run({})] },
  }));
  await fireEvent.click(screen.getByRole("button", { name: /Stop/ }));
  await vi.advanceTimersByTimeAsync(10);
  expect(screen.getByText("9 of 40 made; stopped after 10")).toBeTruthy();
  expect(screen.getByText(/Not answered yet: “Owner”/)).toBeTruthy();
  await fireEvent.click(screen.getByRole("button", { name: /Throw away/ }));
  await vi.advanceTimersByTimeAsync(10);
  expect(screen.queryByRole("list", { name: "What was made" })).toBeNull();
  expect(asked.map(({ method, path }) => `${method} ${path}`)).toEqual([
    "GET /api/templates/t/merges",
    "POST /api/templates/t/merges/r/stop",
    "DELETE /api/templates/t/merges/r",
  ]);
});

test("an empty table has a column for each question", async () => {
  await shown(() => ({ body: { runs: [] } }));
  const href = screen.getByRole("link", { name: "Save an empty table" }).getAttribute("href")!;
  expect(decodeURIComponent(href.split(",").slice(1).join(","))).toBe(
    '\ufeff"Owner","Depth, ""planned"""\r\n',
  );
});

test("the table is made into what was chosen", async () => {
  const asked = await shown(() => ({ body: { runs: [] } }));
  await fireEvent.change(screen.getByRole("combobox", { name: "Make" }), {
    target: { value: "FILLABLE_DOCX" },
  });
  const chooser = document.querySelector<HTMLInputElement>("input[type=file]")!;
  await fireEvent.change(chooser, { target: { files: [new File(["x"], "wells of 2026.csv")] } });
  await vi.advanceTimersByTimeAsync(10);
  expect(asked[1]!.path).toBe(
    "/api/templates/t/merges?release=3&making=FILLABLE_DOCX&name=wells%20of%202026.csv",
  );
});
