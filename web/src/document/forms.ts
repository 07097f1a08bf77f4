/**
 * What the controls of a section stand in. When something appears in a form, browsers look through the whole form for
 * fields that they could fill from memory, which in a document of hundreds of fields takes longer than all the rest of
 * an answer: each section is a form of its own. From 200 controls in one form on, Chromium does not look at all, so a
 * very long document is left as one.
 */
export const wrapping = (items: number): "form" | "div" => (items > 500 ? "div" : "form");
