import { answerType } from "../api/kinds";
import type { Choice, FieldKind, Value } from "../api/types";

/** The address of a node in a row; its key where it stands in none. */
export function address(key: string, row: string): string {
  return row ? `${key}@${row}` : key;
}

/** The key of the node at an address. */
export function keyOf(at: string): string {
  return at.split("@")[0]!;
}

/** How a value would be typed: for what was worked out, or stands there from the beginning. */
export function typedOf(value: Value): string {
  switch (value.type) {
    case "text":
      return value.text;
    case "number":
      return value.number;
    case "yesNo":
      return value.yes ? "yes" : "no";
    case "date":
      return value.date;
    case "time":
      return value.time.slice(0, 5);
    case "chosen":
      return value.words ? `=${value.words}` : value.choice;
    case "chosenSet":
      return [
        ...value.choices.filter((it) => it !== "other" || !value.words),
        ...(value.words ? [`=${value.words}`] : []),
      ].join(",");
    case "signed":
      return value.reference;
    default:
      return "";
  }
}

/** Several choices as they are typed: identities, and own words behind “=” at the end. */
export type Chosen = { ids: string[]; words: string | null };

export function readChosen(typed: string): Chosen {
  const at = typed.startsWith("=") ? 0 : typed.indexOf(",=") + 1;
  const hasWords = typed.startsWith("=") || at > 0;
  const named = hasWords ? typed.slice(0, at) : typed;
  return {
    ids: named.split(",").filter(Boolean),
    words: hasWords ? typed.slice(at + 1) : null,
  };
}

export function writeChosen({ ids, words }: Chosen): string {
  return [...ids, ...(words === null ? [] : [`=${words}`])].join(",");
}

/** The choices of a field in their order, cut down to what is offered now. */
export function choicesOf(kind: FieldKind, offered: string[] | null): Choice[] {
  const choice = (id: string, label = id): Choice => ({ id, label, stored: "" });
  switch (kind.type) {
    case "yesNo":
      return [choice("yes", "Yes"), choice("no", "No")];
    case "rating":
      return Array.from({ length: kind.most }, (_, i) => choice(String(i + 1)));
    case "lookup":
      return (offered ?? []).map((cell) => choice(cell));
    case "oneChoice":
    case "severalChoices":
      return offered ? kind.choices.filter(({ id }) => offered.includes(id)) : kind.choices;
    default:
      return [];
  }
}

/** A file that was handed in, as one line of its field. */
export type HandedIn = { id: string; bytes: number; name: string };

export function readFiles(typed: string): HandedIn[] {
  return typed
    .split("\n")
    .filter(Boolean)
    .map((line) => {
      const [id = "", bytes = "0", ...name] = line.split(" ");
      return { id, bytes: Number(bytes), name: name.join(" ") };
    });
}

export function writeFiles(files: HandedIn[]): string {
  return files.map(({ id, bytes, name }) => `${id} ${bytes} ${name}`).join("\n");
}

/** A size in words. */
export function size(bytes: number): string {
  return bytes < 1_000_000
    ? `${Math.max(1, Math.round(bytes / 1000))} kB`
    : `${(bytes / 1_000_000).toFixed(1)} MB`;
}

/** The rows of a section with one more, under a name that was never used. */
export function withRow(rows: string[], typed: Record<string, string>): string[] {
  const used = new Set([...rows, ...Object.keys(typed).map((at) => at.split("@")[1] ?? "")]);
  let number = rows.length + 1;
  while (used.has(`r${number}`)) number++;
  return [...rows, `r${number}`];
}

/** Whether the controls of a field are a group with a legend, not one control with a label. */
export function isGroup(kind: FieldKind): boolean {
  const answer = answerType(kind);
  return areMarks(kind) || answer === "signature" || answer === "files";
}

/** Whether a field is answered by marks, one for each choice. */
export function areMarks(kind: FieldKind): boolean {
  switch (kind.type) {
    case "yesNo":
    case "rating":
    case "severalChoices":
      return true;
    case "oneChoice":
      return kind.layout !== "list" || kind.other;
    default:
      return false;
  }
}

/** Whether these marks stand as buttons beside each other. */
export function areButtons(kind: FieldKind): boolean {
  return kind.type === "rating" || ("layout" in kind && kind.layout === "buttons");
}

/** An amount with as many decimals as its currency has; with more where it has more. */
export function amount(currency: string, number: string): string {
  const format = new Intl.NumberFormat("en", { style: "currency", currency });
  const [whole = "", part = ""] = number.split(".");
  const decimals = part.padEnd(format.resolvedOptions().maximumFractionDigits ?? 2, "0");
  return decimals ? `${whole}.${decimals}` : whole;
}
