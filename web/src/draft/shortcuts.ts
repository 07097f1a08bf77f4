/**
 * The keys of the Draft view, once: the actions, the key handler and the hints on buttons read them here. The first of
 * several is the one that is told. Ctrl stands for the Command key too.
 */
export const KEYS = {
  undo: ["Ctrl Z"],
  redo: ["Ctrl Shift Z", "Ctrl Y"],
  actions: ["Ctrl K", "?"],
  addBelow: ["Ctrl Enter"],
  moveUp: ["Alt ↑"],
  moveDown: ["Alt ↓"],
  duplicate: ["Ctrl D"],
  copy: ["Ctrl C"],
  paste: ["Ctrl V"],
  pasteLogic: ["Ctrl Shift V"],
  delete: ["Del"],
  nextFinding: ["F8"],
  findingBefore: ["Shift F8"],
  nextUnanswered: ["F9"],
  follows: ["Ctrl ←"],
  followers: ["Ctrl →"],
  selectNothing: ["Esc"],
} as const satisfies Record<string, readonly string[]>;

export type KeyName = keyof typeof KEYS;

/** Those that mean the same while text is being written; the others are the text's then. */
const ALSO_IN_TEXT: ReadonlySet<KeyName> = new Set([
  "actions",
  "addBelow",
  "moveUp",
  "moveDown",
  "duplicate",
  "nextFinding",
  "findingBefore",
  "nextUnanswered",
  "selectNothing",
]);

/** Those that a list to select from keeps for itself. */
const OF_LISTS: ReadonlySet<KeyName> = new Set(["moveUp", "moveDown", "delete"]);

/** What a button does, with its keys. */
export function withKeys(words: string, name: KeyName): string {
  return `${words} (${KEYS[name][0]})`;
}

const NAMES: Record<string, string> = {
  "↑": "arrowup",
  "↓": "arrowdown",
  "←": "arrowleft",
  "→": "arrowright",
  del: "delete",
  esc: "escape",
};

function isPressed(keys: string, event: KeyboardEvent): boolean {
  const parts = keys.toLowerCase().split(" ");
  const key = parts.at(-1)!;
  const shift = parts.includes("shift");
  return (
    event.key.toLowerCase() === (NAMES[key] ?? key) &&
    (event.ctrlKey || event.metaKey) === parts.includes("ctrl") &&
    event.altKey === parts.includes("alt") &&
    // A question mark is written with Shift on some keyboards, and without on others.
    (key === "?" || event.shiftKey === shift)
  );
}

/** What the keys that were pressed are called; null where they mean nothing here. */
export function pressed(event: KeyboardEvent): KeyName | null {
  const target = event.target instanceof HTMLElement ? event.target : document.body;
  const isText = target.matches("input:not([type=radio]):not([type=checkbox]), textarea, [contenteditable]");
  const isList = target.matches("select");
  for (const name of Object.keys(KEYS) as KeyName[]) {
    const found = KEYS[name].find((keys) => isPressed(keys, event));
    if (!found || (isList && OF_LISTS.has(name))) continue;
    const isWritten = isText && (!ALSO_IN_TEXT.has(name) || found === "?");
    if (!isWritten) return name;
  }
  return null;
}
