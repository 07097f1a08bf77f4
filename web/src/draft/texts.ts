/** What writing a text needs to know of how texts are written; what they mean is the server's business. */

export type Written = { text: string; from: number; to: number };

const NAME = "[a-z][a-z0-9_]{0,59}";

/** The names of what stands in brackets, each once, in reading order. */
export function bracketed(text: string): string[] {
  return [...new Set([...text.matchAll(new RegExp(`(?<!\\\\)\\[(${NAME}):`, "g"))].map((it) => it[1]!))];
}

/** Where the bracket of a name opens and closes, and where its words are; null where there is none. */
function bracket(text: string, name: string): { from: number; words: string; to: number } | null {
  const opening = `[${name}:`;
  const from = text.indexOf(opening);
  if (from < 0) return null;
  let depth = 0;
  let middle = -1;
  for (let at = from; at < text.length; at++) {
    const c = text[at];
    if (c === "\\") at++;
    else if (c === "[") depth++;
    else if (c === "|" && depth === 1 && middle < 0) middle = at;
    else if (c === "]" && --depth === 0) {
      const words = text.slice(from + opening.length, middle < 0 ? at : middle).replace(/^ /, "");
      return { from, words: middle < 0 ? words : words.replace(/ $/, ""), to: at + 1 };
    }
  }
  return null;
}

/** The words that stand in the bracket of a name. */
export function wordsOf(text: string, name: string): string {
  return bracket(text, name)?.words ?? "";
}

/** A text in which the words of a bracket stand there without it. */
export function unwrapped(text: string, name: string): string {
  const found = bracket(text, name);
  return found ? text.slice(0, found.from) + found.words + text.slice(found.to) : text;
}

/** A text with a part of it in a bracket of a name, its words chosen. */
export function wrapped({ text, from, to }: Written, name: string): Written {
  const words = text.slice(from, to) || "words";
  const opening = `[${name}: `;
  return {
    text: text.slice(0, from) + opening + words + "]" + text.slice(to),
    from: from + opening.length,
    to: from + opening.length + words.length,
  };
}

/** A text with a part of it between marks, or without them where it stands between them already. */
export function emphasised({ text, from, to }: Written, mark: "**" | "*"): Written {
  const long = mark.length;
  const isMarked =
    text.slice(from - long, from) === mark &&
    text.slice(to, to + long) === mark &&
    (mark === "**" || (text[from - 2] !== "*" && text[to + 1] !== "*"));
  if (isMarked) {
    return {
      text: text.slice(0, from - long) + text.slice(from, to) + text.slice(to + long),
      from: from - long,
      to: to - long,
    };
  }
  // Marks stand at letters: white space that was chosen with them stays outside.
  const chosen = text.slice(from, to);
  const first = from + (chosen.length - chosen.trimStart().length);
  const last = Math.max(first, from + chosen.trimEnd().length);
  const words = text.slice(first, last) || "words";
  return {
    text: text.slice(0, first) + mark + words + mark + text.slice(last),
    from: first + long,
    to: first + long + words.length,
  };
}

/** A text with something in the place of a part of it, the caret behind it. */
export function inserted({ text, from, to }: Written, what: string): Written {
  const at = from + what.length;
  return { text: text.slice(0, from) + what + text.slice(to), from: at, to: at };
}

/** Ordinary words, written so that they are read as nothing else. */
const literal = (words: string) => words.replace(/[\\*{}[\]|]|^-/g, "\\$&");

const FIGURE = /^[-+−]?\s?(\p{Sc}\s?)?\d[\d.,'’\s]*(\s?(\p{Sc}|%))?$/u;

/** A text with a table in the place of a part of it, its first head chosen; rows of ordinary words, the first of them heads. */
export function tabled({ text, from, to }: Written, rows: string[][]): Written {
  const width = Math.max(...rows.map((row) => row.length));
  const all = rows.map((row) => [...row, ...Array<string>(width - row.length).fill("")]);
  const line = (cells: string[]) => `| ${cells.map(literal).join(" | ")} |`;
  const isOfFigures = (column: number) => all.slice(1).every((row) => FIGURE.test(row[column]!));
  const dashes = all[0]!.map((_, column) => (isOfFigures(column) ? "---:" : "---"));
  const before = text.slice(0, from).trimEnd();
  const after = text.slice(to).trimStart();
  const start = before ? `${before}\n\n` : "";
  const table = [line(all[0]!), `|${dashes.join("|")}|`, ...all.slice(1).map(line)].join("\n");
  return {
    text: start + table + (after ? `\n\n${after}` : ""),
    from: start.length + 2,
    to: start.length + 2 + literal(all[0]![0]!).length,
  };
}

/** A name for a phrase that none of the text has. */
export function newName(text: string, taken: (name: string) => boolean): string {
  const names = new Set(bracketed(text));
  for (let i = 1; ; i++) {
    const name = i === 1 ? "phrase" : `phrase_${i}`;
    if (!names.has(name) && !taken(name)) return name;
  }
}

/** Something that can be completed to: what is written, and what it means. */
export type Place = { id: string; label: string; hint: string };

/** What an open brace before the caret asks for: where it began, and what was typed since. */
export function openBrace(
  text: string,
  caret: number,
): { at: number; key: string | null; typed: string } | null {
  const before = text.slice(0, caret);
  const match = new RegExp(`(?<!\\\\)\\{(?:(${NAME}):)?([^{}\\n:]{0,40})$`).exec(before);
  if (!match) return null;
  return { at: match.index, key: match[1] ?? null, typed: match[2]! };
}
