import { describe, expect, it } from "vitest";
import {
  bracketed,
  emphasised,
  inserted,
  newName,
  openBrace,
  tabled,
  unwrapped,
  wordsOf,
  wrapped,
  type Written,
} from "./texts";

/** A text with what is chosen between « and ». */
function chosen(marked: string): Written {
  const from = marked.indexOf("«");
  const to = marked.indexOf("»") - 1;
  return { text: marked.replace(/[«»]/g, ""), from, to };
}

const shown = ({ text, from, to }: Written) =>
  `${text.slice(0, from)}«${text.slice(from, to)}»${text.slice(to)}`;

describe("what stands in brackets", () => {
  it("is named once each, and not where the bracket is escaped", () => {
    expect(bracketed("a [one: x] [two: y [one: z]] \\[three: w] [Four: v]")).toEqual(["one", "two"]);
  });

  it("has words, without those for otherwise", () => {
    expect(wordsOf("is [open: open [x: a | b] | shut].", "open")).toBe("open [x: a | b]");
    expect(wordsOf("due[late:, and {fee} more]", "late")).toBe(", and {fee} more");
    expect(wordsOf("a [one: b \\] c]", "one")).toBe("b \\] c");
    expect(wordsOf("a", "one")).toBe("");
    expect(wordsOf("[one: never closed", "one")).toBe("");
  });

  it("stands there without the bracket when that is taken away", () => {
    expect(unwrapped("due[late: , and more | now].", "late")).toBe("due, and more.");
    expect(unwrapped("due", "late")).toBe("due");
  });

  it("is what was chosen", () => {
    expect(shown(wrapped(chosen("due«, and more»."), "late"))).toBe("due[late: «, and more»].");
    expect(shown(wrapped(chosen("due«»."), "late"))).toBe("due[late: «words»].");
    const { text } = wrapped(chosen("due«, and more»."), "late");
    expect(unwrapped(text, "late")).toBe("due, and more.");
  });

  it("gets a name that nothing has", () => {
    expect(newName("x", () => false)).toBe("phrase");
    expect(newName("[phrase: x] [phrase_2: y]", (name) => name === "phrase_3")).toBe("phrase_4");
  });
});

describe("a table", () => {
  it("begins a paragraph of its own, its first head chosen", () => {
    expect(
      shown(
        tabled(chosen("Fees:«» and more"), [
          ["What", "Sum"],
          ["Lease", "25"],
        ]),
      ),
    ).toBe("Fees:\n\n| «What» | Sum |\n|---|---:|\n| Lease | 25 |\n\nand more");
    expect(
      shown(
        tabled(chosen("«all of it»"), [
          ["A", "B"],
          ["", ""],
        ]),
      ),
    ).toBe("| «A» | B |\n|---|---|\n|  |  |");
  });

  it("has ordinary words in its cells, as many in each row", () => {
    const { text } = tabled(chosen("«»"), [
      ["*a*|", "-", "x-y"],
      ["{b}", "€ 1,250.00"],
      ["c", "-3 %", "12"],
    ]);
    expect(text).toBe(
      "| \\*a\\*\\| | \\- | x-y |\n|---|---:|---|\n| \\{b\\} | € 1,250.00 |  |\n| c | \\-3 % | 12 |",
    );
  });
});

describe("emphasis", () => {
  it("is put around what is chosen, and taken away again", () => {
    expect(shown(emphasised(chosen("the «fee» is"), "**"))).toBe("the **«fee»** is");
    expect(shown(emphasised(chosen("the **«fee»** is"), "**"))).toBe("the «fee» is");
    expect(shown(emphasised(chosen("the *«fee»* is"), "*"))).toBe("the «fee» is");
    expect(shown(emphasised(chosen("the **«fee»** is"), "*"))).toBe("the ***«fee»*** is");
  });

  it("leaves white space outside", () => {
    expect(shown(emphasised(chosen("the« fee »is"), "*"))).toBe("the *«fee»* is");
    expect(shown(emphasised(chosen("«»"), "*"))).toBe("*«words»*");
  });
});

it("puts the caret behind what is inserted", () => {
  expect(shown(inserted(chosen("a «b» c"), "{fee}"))).toBe("a {fee}«» c");
});

describe("an open brace", () => {
  const at = (text: string) => openBrace(text, text.length);

  it("asks for a name, and behind a colon for a way of writing", () => {
    expect(at("pay {")).toEqual({ at: 4, key: null, typed: "" });
    expect(at("pay {Fe")).toEqual({ at: 4, key: null, typed: "Fe" });
    expect(at("on {start:sh")).toEqual({ at: 3, key: "start", typed: "sh" });
    expect(at("see {ref:")).toEqual({ at: 4, key: "ref", typed: "" });
  });

  it("asks for nothing once it is closed, escaped, or lines before", () => {
    expect(at("pay {fee}")).toBeNull();
    expect(at("pay \\{fe")).toBeNull();
    expect(at("pay {\nfe")).toBeNull();
    expect(at("pay")).toBeNull();
  });
});
