import { cleanup, render, screen } from "@testing-library/svelte";
import { afterEach, beforeEach, expect, test, vi } from "vitest";
import { serverThat, type Answer } from "../testing/server";
import FinishedPages from "./FinishedPages.svelte";

beforeEach(() => vi.useFakeTimers());

afterEach(() => {
  cleanup();
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

const pictures = () => screen.queryAllByRole("img").map((it) => it.getAttribute("src"));

test("pages are shown, and anew when they would be others", async () => {
  let answer: Answer = { body: { version: "v1", pages: 2 } };
  const asked = serverThat(() => answer);
  render(FinishedPages, { template: "t" });
  await vi.advanceTimersByTimeAsync(10);
  const base = "/api/templates/t/draft/paper";
  expect(pictures()).toEqual([`${base}/pages/1?v1`, `${base}/pages/2?v1`]);
  expect(screen.getByText("2 pages")).toBeTruthy();
  expect(screen.getByAltText("Page 2 of 2")).toBeTruthy();

  answer = { body: { version: "v2", pages: 1 } };
  await vi.advanceTimersByTimeAsync(4_100);
  expect(asked.map(({ path }) => path)).toEqual([base, base]);
  expect(pictures()).toEqual([`${base}/pages/1?v2`]);
  expect(screen.getByText("1 page")).toBeTruthy();
});

test("pages stay while the server cannot be reached, and nothing is asked behind the author's back", async () => {
  let answer: Answer = { body: { version: "v1", pages: 1 } };
  const asked = serverThat(() => answer);
  render(FinishedPages, { template: "t" });
  await vi.advanceTimersByTimeAsync(10);
  answer = "unreachable";
  await vi.advanceTimersByTimeAsync(4_100);
  expect(pictures()).toHaveLength(1);
  expect(screen.queryByRole("alert")).toBeNull();

  const before = asked.length;
  vi.spyOn(document, "visibilityState", "get").mockReturnValue("hidden");
  await vi.advanceTimersByTimeAsync(12_000);
  expect(asked).toHaveLength(before);
  vi.restoreAllMocks();
});

test("what cannot be set is said, and can be tried again", async () => {
  serverThat(() => ({ status: 503, detail: "Many documents are being made." }));
  render(FinishedPages, { template: "t" });
  await vi.advanceTimersByTimeAsync(10);
  expect(screen.getByRole("alert").textContent).toContain("Many documents are being made.");
});
