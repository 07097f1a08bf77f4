import { afterEach, describe, expect, test, vi } from "vitest";
import { draftOf, fieldView, TEXT } from "../testing/draft";
import { type Action, actions, keysOf, onKeys, type ViewActions } from "./actions";
import { KEYS, type KeyName, pressed, withKeys } from "./shortcuts";

type Keys = Partial<Pick<KeyboardEvent, "ctrlKey" | "metaKey" | "shiftKey" | "altKey">>;
const control = { ctrlKey: true };

/** A key pressed somewhere on the page. */
function press(key: string, keys: Keys = {}, where = "<div></div>"): KeyboardEvent {
  document.body.innerHTML = where;
  const event = new KeyboardEvent("keydown", { key, ...keys, cancelable: true, bubbles: true });
  document.body.firstElementChild!.dispatchEvent(event);
  return event;
}

afterEach(() => {
  document.body.innerHTML = "";
  vi.restoreAllMocks();
});

describe("keys", () => {
  test.each<[string, Keys, KeyName | null]>([
    ["z", control, "undo"],
    ["Z", { ctrlKey: true, shiftKey: true }, "redo"],
    ["y", control, "redo"],
    ["z", { metaKey: true }, "undo"],
    ["z", {}, null],
    ["z", { ctrlKey: true, altKey: true }, null],
    ["k", control, "actions"],
    ["?", { shiftKey: true }, "actions"],
    ["?", {}, "actions"],
    ["?", control, null],
    ["Enter", control, "addBelow"],
    ["Enter", {}, null],
    ["ArrowUp", { altKey: true }, "moveUp"],
    ["ArrowDown", { altKey: true }, "moveDown"],
    ["ArrowDown", {}, null],
    ["d", control, "duplicate"],
    ["c", control, "copy"],
    ["v", control, "paste"],
    ["V", { ctrlKey: true, shiftKey: true }, "pasteLogic"],
    ["Delete", {}, "delete"],
    ["Delete", { shiftKey: true }, null],
    ["F8", {}, "nextFinding"],
    ["F8", { shiftKey: true }, "findingBefore"],
    ["F9", {}, "nextUnanswered"],
    ["ArrowLeft", control, "follows"],
    ["ArrowRight", control, "followers"],
    ["Escape", {}, "selectNothing"],
  ])("%s with %j", (key, keys, name) => expect(pressed(press(key, keys))).toBe(name));

  const TEXTS = ["<input>", "<textarea></textarea>"];
  test.each(TEXTS)("are the text's where text is written: %s", (where) => {
    for (const [key, keys] of [
      ["z", control],
      ["c", control],
      ["v", control],
      ["ArrowLeft", control],
      ["Delete", {}],
      ["?", {}],
    ] as const)
      expect(pressed(press(key, keys, where)), key).toBeNull();
    for (const [key, keys, name] of [
      ["k", control, "actions"],
      ["Enter", control, "addBelow"],
      ["F9", {}, "nextUnanswered"],
      ["ArrowUp", { altKey: true }, "moveUp"],
      ["Escape", {}, "selectNothing"],
    ] as const)
      expect(pressed(press(key, keys, where)), key).toBe(name);
  });

  test("are a tick's no more than others", () =>
    expect(pressed(press("z", control, "<input type=checkbox>"))).toBe("undo"));

  test("that a list to select from has for itself are its own", () => {
    for (const [key, keys] of [
      ["ArrowUp", { altKey: true }],
      ["ArrowDown", { altKey: true }],
      ["Delete", {}],
    ] as const)
      expect(pressed(press(key, keys, "<select></select>"))).toBeNull();
  });

  test("mean one thing each", () => {
    const all = Object.values(KEYS).flat();
    expect(new Set(all).size).toBe(all.length);
  });

  test("are told with what they do", () => expect(withKeys("Redo", "redo")).toBe("Redo (Ctrl Shift Z)"));
});

describe("actions", () => {
  const view = (): ViewActions => ({ insert: vi.fn(), history: vi.fn(), palette: vi.fn() });
  const copy = () => draftOf(fieldView("depth", "Depth", TEXT), fieldView("width", "Width", TEXT));

  test("every key has an action, and each of them only one", () => {
    const named = actions(copy(), view()).flatMap(({ name }) => name ?? []);
    expect(named.toSorted()).toEqual(Object.keys(KEYS).toSorted());
  });

  test("tell their keys", () => {
    const all = actions(copy(), view());
    const of = (label: string): Action => all.find((it) => it.label === label)!;
    expect(keysOf(of("Undo"))).toBe("Ctrl Z");
    expect(keysOf(of("Add a page"))).toBe("");
    expect(keysOf(of("Select more"))).toContain("Shift");
  });

  test("that need something selected do nothing without", () => {
    const some = copy();
    const keyed = onKeys(some, view());
    const edit = vi.spyOn(some, "edit").mockResolvedValue([]);
    const event = press("Delete");
    keyed(event);
    expect(edit).not.toHaveBeenCalled();
    expect(event.defaultPrevented).toBe(false);
    some.selected = "depth";
    const again = press("Delete");
    keyed(again);
    expect(edit).toHaveBeenCalledWith({ type: "delete", keys: ["depth"], dropFollowers: false });
    expect(again.defaultPrevented).toBe(true);
  });

  test("of the view are the view's", () => {
    const some = copy();
    some.selected = "width";
    const its = view();
    const keyed = onKeys(some, its);
    keyed(press("Enter", control));
    keyed(press("k", control));
    expect(its.insert).toHaveBeenCalledWith("width");
    expect(its.palette).toHaveBeenCalledOnce();
  });

  test("text that is marked on the page is what the browser copies", () => {
    const some = copy();
    some.selected = "depth";
    const copying = vi.spyOn(some, "copyChosen").mockImplementation(async () => {});
    vi.spyOn(window, "getSelection").mockReturnValue({ toString: () => "Depth" } as Selection);
    onKeys(some, view())(press("c", control));
    expect(copying).not.toHaveBeenCalled();
  });
});
