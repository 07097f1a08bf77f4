import { cleanup, render, screen, within } from "@testing-library/svelte";
import userEvent from "@testing-library/user-event";
import { afterEach, expect, test, vi } from "vitest";
import type { ReachTable } from "../api/types";
import { draftOf, fieldView, NUMBER } from "../testing/draft";
import InDraft from "../testing/InDraft.svelte";
import { settled } from "../testing/server";
import { COLUMNS_AT_ONCE } from "./cells";
import { Reaching } from "./reaching.svelte";
import ReachGrid from "./ReachGrid.svelte";

afterEach(cleanup);

function tableOf(columns: number): ReachTable {
  const rows = (["blank", "exactly"] as const).map((shape) => ({
    shape,
    words: shape,
    condition: { type: "always" as const },
    typed: "",
    others: [],
    isWhole: true,
    low: null,
    high: null,
  }));
  return {
    field: "depth",
    rows,
    columns: Array.from({ length: columns }, (_, i) => ({
      key: `f${i}`,
      name: `Follower ${i}`,
      heading: "shown",
      aspect: { type: "ofNode" as const, aspect: "shown" as const },
      yes: "shown",
      no: "folded",
      isSettable: true,
    })),
    cells: rows.map(() =>
      Array.from({ length: columns }, () => ({ becomes: "no" as const, words: "", isTrouble: false })),
    ),
    note: "",
  };
}

function shown(columns: number) {
  const copy = draftOf(fieldView("depth", "Depth", NUMBER));
  const reaching = new Reaching(copy);
  reaching.field = "depth";
  reaching.table = tableOf(columns);
  const paint = vi.spyOn(reaching, "paint").mockResolvedValue();
  render(InDraft, { copy, of: ReachGrid, about: { reaching, onask: vi.fn() } });
  return { reaching, paint, user: userEvent.setup() };
}

const cells = () => within(screen.getByRole("table")).getAllByRole("button", { name: /^folded/ });
const cell = (words: string) => screen.getByRole("button", { name: words });

test("a few followers stand there all, and nothing is to be turned or sought", () => {
  shown(COLUMNS_AT_ONCE);
  expect(cells()).toHaveLength(2 * COLUMNS_AT_ONCE);
  expect(screen.queryByRole("navigation")).toBeNull();
  expect(screen.queryByRole("textbox")).toBeNull();
});

test("of many followers one page is shown, and the next one on", async () => {
  const { user } = shown(300);
  expect(cells()).toHaveLength(2 * COLUMNS_AT_ONCE);
  expect(screen.getByText("300 of 300 followers")).toBeTruthy();
  await user.click(screen.getByRole("button", { name: "After" }));
  expect(cell("folded, Follower 20, shown, blank")).toBeTruthy();
  expect(screen.queryByRole("button", { name: "folded, Follower 19, shown, blank" })).toBeNull();
});

test("followers are found by their names, and only what is in sight is painted", async () => {
  const { paint, user } = shown(300);
  await user.type(screen.getByRole("textbox", { name: "Only followers called" }), "follower 2");
  // 2, 20 to 29, 200 to 299.
  expect(screen.getByText("111 of 300 followers")).toBeTruthy();
  cell("folded, Follower 2, shown, exactly").focus();
  await user.keyboard("{Shift>}{ArrowRight}{/Shift}{Enter}");
  await settled();
  expect(paint).toHaveBeenCalledTimes(1);
  const [block, inSight] = paint.mock.calls[0]!;
  expect(block).toMatchObject({ row: 1, column: 2, toRow: 1, toColumn: 20 });
  expect(inSight.slice(0, 3)).toEqual([2, 20, 21]);
});

test("arrows go on to the next page, and back", async () => {
  const { user } = shown(50);
  cell("folded, Follower 19, shown, exactly").focus();
  await user.keyboard("{ArrowRight}");
  await settled();
  expect(document.activeElement).toBe(cell("folded, Follower 20, shown, exactly"));
  await user.keyboard("{ArrowLeft}");
  await settled();
  expect(document.activeElement).toBe(cell("folded, Follower 19, shown, exactly"));
});

test("what is added to follow is gone to once", async () => {
  const { reaching, user } = shown(50);
  reaching.besides = ["f45"];
  await settled();
  expect(cell("folded, Follower 45, shown, blank")).toBeTruthy();
  await user.click(screen.getByRole("button", { name: "Before" }));
  reaching.table = tableOf(50);
  await settled();
  expect(cell("folded, Follower 20, shown, blank")).toBeTruthy();
});

test("what was sought stays in sight when few followers are left", async () => {
  const { reaching, user } = shown(50);
  await user.type(screen.getByRole("textbox", { name: "Only followers called" }), "follower 4");
  reaching.table = tableOf(10);
  await settled();
  expect(screen.getByText("1 of 10 followers")).toBeTruthy();
  await user.clear(screen.getByRole("textbox", { name: "Only followers called" }));
  expect(cells()).toHaveLength(20);
});
