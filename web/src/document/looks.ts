import type { Band, Look } from "../api/types";

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
