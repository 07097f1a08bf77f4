import type { FormulaTrouble, FunctionView, NameView } from "../../api/types";

/** Something that can stand where a formula is being written. */
export type Completion = { text: string; label: string; hint: string; isFunction: boolean };

/** The part of a formula that is being written: from where to where, and what stands there. */
export type WordAtCaret = { from: number; to: number; text: string };

/** A call whose arguments are being written: the function, and which of its parameters. */
export type OpenCall = { function: FunctionView; parameter: number };

const MOST = 12;
const WORD = /[\p{L}_][\p{L}\p{Nd}_]*(?:[ .][\p{L}_][\p{L}\p{Nd}_]*)*$/u;

/** Whether a place lies in a text in quotes, where nothing is completed. */
export function isInQuotes(formula: string, caret: number): boolean {
  let quoted = false;
  for (let i = 0; i < caret; i++) {
    if (formula[i] === "\\" && quoted) i++;
    else if (formula[i] === '"') quoted = !quoted;
  }
  return quoted;
}

/** The words before the caret that a name or function may begin with, the longest first. */
export function wordsAt(formula: string, caret: number): WordAtCaret[] {
  if (isInQuotes(formula, caret)) return [];
  const found = WORD.exec(formula.slice(0, caret));
  if (!found) return [];
  const words: WordAtCaret[] = [];
  let from = found.index;
  while (from < caret) {
    words.push({ from, to: caret, text: formula.slice(from, caret) });
    const space = formula.indexOf(" ", from);
    if (space < 0 || space >= caret) break;
    from = space + 1;
  }
  return words;
}

/**
 * What can stand where the caret is. Names are found by any of their words and by those of their labels, functions by
 * their words; what begins with what was typed comes first.
 */
export function completions(
  formula: string,
  caret: number,
  names: NameView[],
  functions: FunctionView[],
): { at: WordAtCaret; list: Completion[] } | null {
  for (const at of wordsAt(formula, caret)) {
    const sought = at.text.toLowerCase();
    if (names.some(({ name }) => name === at.text)) return null;
    const all: Completion[] = [
      ...names.map(({ name, label, type }) => ({
        text: name,
        label: name,
        hint: label && label !== name ? `${label}, ${type}` : type,
        isFunction: false,
      })),
      ...functions.map(({ name, says }) => ({ text: `${name}(`, label: name, hint: says, isFunction: true })),
    ];
    const starts = (it: Completion) => it.label.toLowerCase().startsWith(sought);
    const fits = (it: Completion) =>
      starts(it) ||
      `${it.label} ${it.isFunction ? "" : it.hint}`
        .toLowerCase()
        .split(/[\s_.,(]+/)
        .some((word) => word.startsWith(sought));
    const list = [...all.filter(starts), ...all.filter((it) => !starts(it) && fits(it))].slice(0, MOST);
    if (list.length) return { at, list };
  }
  return null;
}

/** A formula with a completion in the place of what was typed of it, and where the caret is then. */
export function completed(
  formula: string,
  at: WordAtCaret,
  { text, isFunction }: Completion,
): { formula: string; caret: number } {
  const rest = formula.slice(at.to);
  const written = isFunction && rest.startsWith("(") ? text.slice(0, -1) : text;
  return { formula: formula.slice(0, at.from) + written + rest, caret: at.from + text.length };
}

/** The innermost call that is open at the caret. */
export function openCall(formula: string, caret: number, functions: FunctionView[]): OpenCall | null {
  const open: { before: string; commas: number; sign: string }[] = [];
  for (let i = 0; i < caret; i++) {
    const sign = formula[i]!;
    if (isInQuotes(formula, i + 1) || sign === '"') continue;
    if ("([{".includes(sign)) open.push({ before: formula.slice(0, i), commas: 0, sign });
    else if (")]}".includes(sign)) open.pop();
    else if (sign === "," && open.length) open[open.length - 1]!.commas++;
  }
  const call = open.at(-1);
  if (!call || call.sign !== "(") return null;
  const found = functions
    .filter(({ name }) => new RegExp(`(^|[^\\p{L}\\p{Nd}_])${name}$`, "u").test(call.before))
    .sort((a, b) => b.name.length - a.name.length)[0];
  if (!found) return null;
  const last = found.parameters.length - 1;
  return { function: found, parameter: found.variadic ? Math.min(call.commas, last) : call.commas };
}

/** A formula with what was probably meant in the place of the trouble; null where that is not known. */
export function mended(formula: string, trouble: FormulaTrouble): string | null {
  return trouble.instead === null
    ? null
    : formula.slice(0, trouble.at) + trouble.instead + formula.slice(trouble.end);
}
