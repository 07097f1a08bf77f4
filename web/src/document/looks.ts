import type { Band, Look, Notice } from "../api/types";

/** No particular look. */
export const PLAIN: Look = {
  shade: "plain",
  bold: false,
  mark: "none",
  italic: false,
  words: "",
  colours: null,
};

/** A new band without words. */
export function band(id: string, look: Look, upTo: Band["upTo"]): Band {
  return { id, label: "", look, picture: "", upTo };
}

/** The classes of a look. */
export function lookClass(look: Look): string {
  return [
    look.colours ? "shade-own" : look.shade !== "plain" ? `shade-${look.shade}` : "",
    look.bold ? "font-semibold" : "",
    look.italic ? "italic" : "",
  ]
    .filter(Boolean)
    .join(" ");
}

/** The colours of an author's own, as properties that the class takes up; colours were checked when they were set. */
export function lookStyle(look: Look): string | undefined {
  const { colours } = look;
  return colours
    ? `--own-text:${colours.text};--own-fill:${colours.fill};--own-border:${colours.border}`
    : undefined;
}

/** Whether a text reads on as part of the document, and not as a word beside it: clauses do, and what stands in it only. */
export function isProse(notice: Notice, look: Look): boolean {
  return (notice.clause > 0 || notice.medium === "document") && look.shade === "plain" && !look.colours;
}
