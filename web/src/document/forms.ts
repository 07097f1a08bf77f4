/** So many controls in one form Chromium does not look at any more. */
const MOST_LOOKED_AT = 200;

/**
 * What the controls of a section stand in. When something appears in a form, browsers look through the whole form for
 * fields that they could fill from memory, which in a document of a hundred fields takes longer than all the rest of
 * an answer: each section is a form of its own. A document with more fields than a browser looks at is left as one.
 *
 * @param fields that are there at the same time
 */
export const wrapping = (fields: number): "form" | "div" => (fields > MOST_LOOKED_AT ? "div" : "form");
