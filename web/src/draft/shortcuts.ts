import type { WorkingCopy } from "./working.svelte";

/** What the keys do in the Draft view, wherever they do not write text. */
export function shortcuts(
  copy: WorkingCopy,
  insert: (after: string) => void,
): (event: KeyboardEvent) => void {
  return (event) => {
    const target = event.target as HTMLElement;
    const writes = target.matches(
      "input:not([type=radio]):not([type=checkbox]), textarea, [contenteditable]",
    );
    const command = event.ctrlKey || event.metaKey;
    const key = copy.selected;
    const does = (work: () => unknown) => {
      event.preventDefault();
      void work();
    };
    if (command && event.key.toLowerCase() === "z" && !writes)
      return does(event.shiftKey ? copy.redo : copy.undo);
    if (command && event.key.toLowerCase() === "y" && !writes) return does(copy.redo);
    if (!key) return;
    const isItem = !["section", "page"].includes(copy.nodes.get(key)?.node.type ?? "page");
    if (command && event.key === "Enter" && isItem) return does(() => insert(key));
    if (event.altKey && !target.matches("select") && event.key === "ArrowUp")
      return does(() => copy.move(key, -1));
    if (event.altKey && !target.matches("select") && event.key === "ArrowDown")
      return does(() => copy.move(key, 1));
    if (command && event.key.toLowerCase() === "d")
      return does(() => copy.make({ type: "duplicate", keys: [key], holder: null, after: null }));
    if (event.key === "Delete" && !writes && !target.matches("select"))
      return does(() => copy.edit({ type: "delete", keys: [key], dropFollowers: false }));
    if (event.key === "Escape") return does(() => copy.select(null));
  };
}
