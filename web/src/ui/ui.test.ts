import { cleanup, render, screen } from "@testing-library/svelte";
import userEvent from "@testing-library/user-event";
import { createRawSnippet, flushSync, tick } from "svelte";
import { afterEach, describe, expect, test, vi } from "vitest";
import { Asking } from "../api/asking.svelte";
import { Problem } from "../api/http";
import Given from "../testing/Given.svelte";
import Alert from "./Alert.svelte";
import Busy from "./Busy.svelte";
import Button from "./Button.svelte";
import Checkbox from "./Checkbox.svelte";
import Confirmation from "./Confirmation.svelte";
import { confirming } from "./confirming.svelte";
import FileButton from "./FileButton.svelte";
import Input from "./Input.svelte";
import LightButton from "./light/Button.svelte";
import { ALERT_LOOKS, BUTTON_LOOKS, type ButtonLook, INPUT_LOOKS, type InputLook } from "./looks";
import Outcome from "./Outcome.svelte";
import Pagination from "./Pagination.svelte";
import Picker, { type Option } from "./Picker.svelte";
import Select from "./Select.svelte";
import TableHead from "./TableHead.svelte";
import TextArea from "./TextArea.svelte";

const user = userEvent.setup();
const words = (text: string) => createRawSnippet(() => ({ render: () => `<span>${text}</span>` }));
const options = (...ids: string[]) =>
  createRawSnippet(() => ({
    render: () =>
      `<optgroup label="">${ids.map((id) => `<option value="${id}">${id}</option>`).join("")}</optgroup>`,
  }));

afterEach(() => {
  cleanup();
  confirming.end(false);
});

describe("what has to be known", () => {
  test.each([
    ["line", "alert"],
    ["framed", "alert"],
    ["note", "status"],
    ["done", "status"],
  ] as const)("that is %s is told as %s, and drawn by our style sheet alone", (look, role) => {
    render(Alert, { look, class: "mt-3", children: words("Told") });
    const told = screen.getByRole(role);
    expect(told.textContent?.trim()).toBe("Told");
    const classes = told.className.split(" ");
    for (const one of [...ALERT_LOOKS[look].split(" "), "mt-3"]) expect(classes).toContain(one);
    expect(classes.filter((it) => /-(primary|gray|red|blue)-/.test(it))).toEqual([]);
  });

  test("is in words where something is being done; what turns beside them says nothing", () => {
    render(Busy, { children: words("Opening …") });
    const busy = screen.getByRole("status");
    expect(busy.textContent?.trim()).toBe("Opening …");
    const turning = busy.querySelector("svg")!;
    expect(turning.getAttribute("aria-hidden")).toBe("true");
    expect(turning.getAttribute("class")).toContain("motion-reduce:hidden");
  });
});

describe("a button", () => {
  test.each(Object.keys(BUTTON_LOOKS) as ButtonLook[])(
    "that looks %s is drawn by our style sheet alone",
    (look) => {
      render(Button, { look, children: words("Go") });
      const classes = screen.getByRole("button").className.split(" ");
      for (const one of BUTTON_LOOKS[look].split(" ").filter(Boolean)) expect(classes).toContain(one);
      expect(classes.filter((it) => /^(bg|text|border|px|py|p)-/.test(it) && it !== "text-center")).toEqual(
        [],
      );
    },
  );

  test("does not send the form it stands in, unless it says so", async () => {
    const form = document.body.appendChild(document.createElement("form"));
    const sent = vi.fn((event: Event) => event.preventDefault());
    form.addEventListener("submit", sent);
    render(Button, { target: form, props: { children: words("Leave") } });
    render(Button, { target: form, props: { type: "submit", children: words("Send") } });
    await user.click(screen.getByRole("button", { name: "Leave" }));
    expect(sent).not.toHaveBeenCalled();
    await user.click(screen.getByRole("button", { name: "Send" }));
    expect(sent).toHaveBeenCalledOnce();
    form.remove();
  });

  test("that stays pressed says so, to eyes and ears", async () => {
    const { rerender } = render(Button, { pressed: true, children: words("Bold") });
    const button = screen.getByRole("button", { pressed: true });
    expect(button.className.split(" ")).toContain("on");
    await rerender({ pressed: false });
    expect(screen.getByRole("button", { pressed: false }).className.split(" ")).not.toContain("on");
    await rerender({ pressed: undefined });
    expect(button.hasAttribute("aria-pressed")).toBe(false);
  });

  test.each([
    ["the usual", Button],
    ["the light", LightButton],
  ])("that leads somewhere is a link: %s one", (_, Of) => {
    render(Of, { href: "/x", download: true, look: "primary", children: words("Save") });
    const link = screen.getByRole("link", { name: "Save" });
    expect(link.getAttribute("href")).toBe("/x");
    expect(link.hasAttribute("download")).toBe(true);
  });

  test("that cannot be pressed does nothing", async () => {
    const done = vi.fn();
    render(Button, { disabled: true, onclick: done, children: words("Go") });
    await user.click(screen.getByRole("button"));
    expect(done).not.toHaveBeenCalled();
  });
});

describe("what is typed into", () => {
  test.each(Object.keys(INPUT_LOOKS) as InputLook[])(
    "and looks %s has no padding or colour of another",
    (look) => {
      render(Input, { look, "aria-label": "It" });
      const classes = screen.getByRole("textbox").className.split(" ");
      for (const one of INPUT_LOOKS[look].split(" ").filter(Boolean)) expect(classes).toContain(one);
      expect(classes.filter((it) => it !== "text-input" && /^(bg|text|border|px|py|p)-/.test(it))).toEqual(
        [],
      );
    },
  );

  test("hands on what is typed, and is as wide as it is told", async () => {
    const typed = vi.fn();
    render(Input, { value: "a", width: "5rem", oninput: typed, "aria-label": "It" });
    const input = screen.getByRole<HTMLInputElement>("textbox");
    await user.type(input, "bc");
    expect(input.value).toBe("abc");
    expect(typed).toHaveBeenCalledTimes(2);
    expect(input.getAttribute("style")).toContain("--width: 5rem");
  });

  test("is as wide as so many letters, where only that is said", () => {
    render(Input, { size: 4, "aria-label": "It" });
    expect(screen.getByRole("textbox").getAttribute("style")).toContain("4ch");
  });

  test("shows what it is given anew, also over what was typed", async () => {
    const { rerender } = render(Input, { value: "a", "aria-label": "It" });
    await user.type(screen.getByRole("textbox"), "b");
    await rerender({ value: "c" });
    expect(screen.getByRole<HTMLInputElement>("textbox").value).toBe("c");
  });

  test("keeps what is being written when the same is given once more", async () => {
    const { rerender } = render(Given, { choice: { label: "a" } });
    const input = screen.getByRole<HTMLInputElement>("textbox");
    await user.type(input, "bc");
    await rerender({ choice: { label: "a" } });
    expect(input.value).toBe("abc");
    await rerender({ choice: { label: "d" } });
    expect(input.value).toBe("d");
  });

  test("keeps lines apart", async () => {
    render(TextArea, { value: "", "aria-label": "It" });
    await user.type(screen.getByRole("textbox"), "a{Enter}b");
    expect(screen.getByRole<HTMLTextAreaElement>("textbox").value).toBe("a\nb");
  });

  test("is chosen from a list, and says what was chosen", async () => {
    const chosen = vi.fn();
    render(Select, {
      value: "b",
      "aria-label": "It",
      children: options("a", "b"),
      onchange: (event: Event & { currentTarget: HTMLSelectElement }) => chosen(event.currentTarget.value),
    });
    await user.selectOptions(screen.getByRole("combobox"), "a");
    expect(chosen).toHaveBeenCalledWith("a");
  });

  test("is ticked", async () => {
    const ticked = vi.fn();
    render(Checkbox, { checked: false, "aria-label": "It", onchange: ticked });
    await user.click(screen.getByRole("checkbox"));
    expect(screen.getByRole<HTMLInputElement>("checkbox").checked).toBe(true);
    expect(ticked).toHaveBeenCalledOnce();
  });

  test("is a file, also the same one twice", async () => {
    const taken: string[] = [];
    const { container } = render(FileButton, {
      accept: ".csv",
      onfile: (file: File) => taken.push(file.name),
      children: words("A file"),
    });
    const input = container.querySelector("input")!;
    for (let i = 0; i < 2; i++) await user.upload(input, new File(["a"], "a.csv"));
    expect(taken).toEqual(["a.csv", "a.csv"]);
    expect(input.tabIndex).toBe(-1);
  });
});

describe("what came of what was asked", () => {
  test("is told, and taken away by what is asked next", async () => {
    const asking = new Asking();
    render(Outcome, { asking });
    await asking.run(async () => {}, "Kept.");
    expect((await screen.findByRole("status")).textContent).toContain("Kept.");
    const going = asking.run(() => new Promise<void>(() => {}));
    await tick();
    expect(asking.busy).toBe(true);
    expect(screen.queryByRole("status")).toBeNull();
    void going;
  });

  test("is tried again where that may help", async () => {
    const asking = new Asking();
    let fails = true;
    render(Outcome, { asking });
    const worked = await asking.run(async () => {
      if (fails) throw new Problem(503, "The server rests.");
    }, "Done.");
    expect(worked).toBe(false);
    expect((await screen.findByRole("alert")).textContent).toContain("The server rests.");
    fails = false;
    await user.click(screen.getByRole("button", { name: "Try again" }));
    expect((await screen.findByRole("status")).textContent).toContain("Done.");
  });

  test.each([
    [new Problem(422, "The name is empty."), false],
    [new Problem(0, "The server cannot be reached."), true],
    [new Error("A mistake"), true],
    ["thrown as text", true],
  ])("%s: may be tried again %s", async (problem, may) => {
    const asking = new Asking();
    await asking.run(() => Promise.reject(problem));
    expect(asking.mayAgain).toBe(may);
    expect(asking.trouble!.message).toBe(problem instanceof Error ? problem.message : problem);
    expect(asking.busy).toBe(false);
  });
});

describe("before what cannot be taken back", () => {
  const STEP = { question: "End it?", means: "Nobody goes on.", does: "End it" };

  test.each([
    ["End it", true],
    ["Leave it as it is", false],
  ])("it is asked, and “%s” is %s", async (button, really) => {
    render(Confirmation);
    const asked = confirming.ask(STEP);
    expect(await screen.findByRole("alertdialog", { name: "End it?" })).toBeTruthy();
    await user.click(screen.getByRole("button", { name: button }));
    expect(await asked).toBe(really);
    expect(screen.queryByRole("alertdialog")).toBeNull();
  });

  test("keeping everything is what a hasty key does", async () => {
    render(Confirmation);
    const asked = confirming.ask(STEP);
    await screen.findByRole("alertdialog");
    await vi.waitFor(() =>
      expect(document.activeElement).toBe(screen.getByRole("button", { name: "Leave it as it is" })),
    );
    await user.keyboard("{Enter}");
    expect(await asked).toBe(false);
  });

  test("a second question ends the first", async () => {
    const first = confirming.ask(STEP);
    void confirming.ask({ ...STEP, question: "Another?" });
    expect(await first).toBe(false);
    expect(confirming.step?.question).toBe("Another?");
  });
});

describe("a table", () => {
  test("tells how it is sorted, and sorts by keys", async () => {
    const sort = vi.fn();
    const { container } = render(TableHead, {
      target: document.body.appendChild(document.createElement("tr")),
      props: { sorted: "descending", onsort: sort, children: words("Finished") },
    });
    expect(container.querySelector("th")!.getAttribute("aria-sort")).toBe("descending");
    screen.getByRole("button", { name: "Finished" }).focus();
    await user.keyboard("{Enter}");
    expect(sort).toHaveBeenCalledOnce();
  });

  test("has no button where it cannot be sorted", () => {
    render(TableHead, {
      target: document.body.appendChild(document.createElement("tr")),
      props: { children: words("Actions") },
    });
    expect(screen.queryByRole("button", { name: "Actions" })).toBeNull();
  });

  test.each([
    [0, "1 to 100 of 250", true, false],
    [1, "101 to 200 of 250", false, false],
    [2, "201 to 250 of 250", false, true],
  ])("page %i shows %s", async (page, range, isFirst, isLast) => {
    const went: number[] = [];
    render(Pagination, { page, size: 100, found: 250, what: "records", ongo: (to: number) => went.push(to) });
    expect(screen.getByRole("status").textContent).toBe(range);
    const before = screen.getByRole<HTMLButtonElement>("button", { name: "Before" });
    const after = screen.getByRole<HTMLButtonElement>("button", { name: "After" });
    expect([before.disabled, after.disabled]).toEqual([isFirst, isLast]);
    await user.click(isLast ? before : after);
    expect(went).toEqual([isLast ? page - 1 : page + 1]);
  });

  test.each([0, 1, 100])("of %i lines has no pages", (found) => {
    render(Pagination, { page: 0, size: 100, found, what: "records", ongo: () => {} });
    expect(screen.queryByRole("navigation")).toBeNull();
  });
});

describe("a list to pick from", () => {
  const PUMPS: Option[] = [
    { id: "hand", label: "Hand pump", hint: "by arm" },
    { id: "motor", label: "Motor pump" },
    { id: "sun", label: "Sun pump" },
  ];
  let picked: string[];

  function shown(more: Partial<Parameters<typeof render<typeof Picker>>[1]> = {}) {
    picked = [];
    return render(Picker, {
      label: "Pump",
      text: "which?",
      options: PUMPS,
      onpick: (id: string) => void picked.push(id),
      ...more,
    });
  }
  const field = () => screen.getByRole<HTMLInputElement>("combobox");
  const atHand = () =>
    document.getElementById(field().getAttribute("aria-activedescendant") ?? "")?.textContent?.trim();

  test("opens by key, is gone through by arrows as far as it goes, and gives the focus back", async () => {
    shown();
    screen.getByRole("button").focus();
    await user.keyboard("{Enter}");
    expect(document.activeElement).toBe(field());
    expect(atHand()).toContain("Hand pump");
    await user.keyboard("{ArrowUp}");
    expect(atHand()).toContain("Hand pump");
    await user.keyboard("{ArrowDown}{ArrowDown}{ArrowDown}{ArrowDown}");
    expect(atHand()).toBe("Sun pump");
    await user.keyboard("{Enter}");
    expect(picked).toEqual(["sun"]);
    expect(document.activeElement).toBe(screen.getByRole("button"));
    expect(screen.queryByRole("combobox")).toBeNull();
  });

  test.each([
    ["pump", ["Hand pump", "Motor pump", "Sun pump"]],
    ["MOT", ["Motor pump"]],
    ["pump arm", ["Hand pump"]],
    ["wind", []],
  ])("finds by any words of it: %s", async (typed, found) => {
    shown({ open: true });
    await user.type(field(), typed);
    expect(screen.queryAllByRole("option").map((it) => it.querySelector("span")!.textContent)).toEqual(found);
    if (!found.length) {
      expect(screen.getByText("Nothing of this name")).toBeTruthy();
      await user.keyboard("{ArrowDown}{Enter}");
      expect(picked).toEqual([]);
      expect(field().hasAttribute("aria-activedescendant")).toBe(false);
    }
  });

  test("begins at what is chosen, and stays open where several can be", async () => {
    const { rerender } = shown({ open: true, several: true, chosen: ["motor"] });
    await vi.waitFor(() => expect(atHand()).toContain("Motor pump"));
    await user.keyboard("{Enter}{ArrowDown}{Enter}");
    expect(picked).toEqual(["motor", "sun"]);
    await rerender({ chosen: ["motor", "sun"] });
    expect(screen.getAllByRole("option", { selected: true })).toHaveLength(2);
    expect(screen.getByRole("listbox").getAttribute("aria-multiselectable")).toBe("true");
  });

  test("closes by Escape alone, and nobody else hears of it", async () => {
    const closed = vi.fn();
    const heard = vi.fn();
    addEventListener("keydown", heard);
    shown({ open: true, onclose: closed });
    await tick();
    await user.keyboard("{Escape}");
    removeEventListener("keydown", heard);
    expect(closed).toHaveBeenCalledOnce();
    expect(heard).not.toHaveBeenCalled();
    expect(picked).toEqual([]);
  });

  test("offers what was typed, first", async () => {
    shown({ open: true, extra: (typed: string) => [{ id: `own ${typed}`, label: `“${typed}”` }] });
    await user.type(field(), "pump");
    flushSync();
    await user.keyboard("{Enter}");
    expect(picked).toEqual(["own pump"]);
  });
});
