import type { WorkingCopy } from "./workingCopy.svelte";

/** What the keys do in the Draft view, wherever they do not write text. */
export function shortcuts(
  copy: WorkingCopy,
  insert: (after: string) => void,
  palette: () => void,
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
    if (command && event.key.toLowerCase() === "k") return does(palette);
    if (event.key === "?" && !writes && !command) return does(palette);
    if (event.key === "F8") return does(() => copy.nextFinding(event.shiftKey ? -1 : 1));
    if (event.key === "F9") return does(() => copy.nextUnanswered());
    if (event.key === "Escape" && copy.ofDocument) return does(() => copy.openDocument(false));
    if (!key) return;
    if (command && !writes && event.key === "ArrowLeft") return does(() => copy.walk("follows"));
    if (command && !writes && event.key === "ArrowRight") return does(() => copy.walk("followers"));
    const letter = event.key.toLowerCase();
    const selects = !writes && !String(getSelection());
    if (command && letter === "c" && selects) return does(() => copy.copyChosen());
    if (command && letter === "v" && !writes)
      return does(() => (event.shiftKey ? copy.pasteLogic() : copy.paste()));
    const isItem = !["section", "page"].includes(copy.nodes.get(key)?.node.type ?? "page");
    if (command && event.key === "Enter" && isItem) return does(() => insert(key));
    if (event.altKey && !target.matches("select") && event.key === "ArrowUp")
      return does(() => copy.move(key, -1));
    if (event.altKey && !target.matches("select") && event.key === "ArrowDown")
      return does(() => copy.move(key, 1));
    if (command && event.key.toLowerCase() === "d")
      return does(() => copy.make({ type: "duplicate", keys: copy.chosen, holder: null, after: null }));
    if (event.key === "Delete" && !writes && !target.matches("select"))
      return does(() => copy.edit({ type: "delete", keys: copy.chosen, dropFollowers: false }));
    if (event.key === "Escape") return does(() => copy.select(null));
  };
}
