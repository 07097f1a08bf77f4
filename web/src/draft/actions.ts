import { KEYS, type KeyName, pressed } from "./shortcuts";
import type { WorkingCopy } from "./workingCopy.svelte";

/** Something that can be done in the Draft view. */
export type Action = {
  label: string;
  /** Its keys, where it has any. */
  name?: KeyName;
  /** What stands beside it instead of keys. */
  note?: string;
  /** Whether it can be done now. */
  works: boolean;
  work: () => unknown;
};

/** What the view itself does, which the working copy knows nothing of. */
export type ViewActions = { insert: (after: string) => void; history: () => void; palette: () => void };

/** Everything that can be done now, in the order in which it is listed. */
export function actions(copy: WorkingCopy, view: ViewActions): Action[] {
  const key = copy.selected;
  const isSelected = key !== null;
  const isItem = !["section", "page"].includes(copy.nodes.get(key ?? "")?.node.type ?? "page");
  const isUnderWay = copy.pending > 0;
  return [
    { label: "Undo", name: "undo", works: copy.canUndo || isUnderWay, work: copy.undo },
    { label: "Redo", name: "redo", works: copy.canRedo || isUnderWay, work: copy.redo },
    { label: "Add below", name: "addBelow", works: isItem, work: () => view.insert(key!) },
    { label: "Move up", name: "moveUp", works: isSelected, work: () => copy.move(key!, -1) },
    { label: "Move down", name: "moveDown", works: isSelected, work: () => copy.move(key!, 1) },
    {
      label: "Duplicate",
      name: "duplicate",
      works: isSelected,
      work: () => copy.make({ type: "duplicate", keys: copy.chosen, holder: null, after: null }),
    },
    { label: "Copy", name: "copy", works: isSelected, work: () => copy.copyChosen() },
    { label: "Paste", name: "paste", works: !!copy.clip.length && isSelected, work: () => copy.paste() },
    {
      label: "Paste the logic alone",
      name: "pasteLogic",
      works: !!copy.clip.length && isSelected,
      work: () => copy.pasteLogic(),
    },
    {
      label: "Delete",
      name: "delete",
      works: isSelected,
      work: () => copy.edit({ type: "delete", keys: copy.chosen, dropFollowers: false }),
    },
    {
      label: "Add a page",
      works: true,
      work: () =>
        copy.make({
          type: "add",
          what: "page",
          label: "",
          holder: "",
          after: copy.inside("").at(-1) ?? null,
          shown: null,
        }),
    },
    { label: "The document as a whole", works: true, work: () => copy.openDocument(true) },
    {
      label: "Next finding",
      name: "nextFinding",
      works: copy.findings.length > 0,
      work: () => copy.nextFinding(1),
    },
    {
      label: "Finding before",
      name: "findingBefore",
      works: copy.findings.length > 0,
      work: () => copy.nextFinding(-1),
    },
    { label: "Next field to answer", name: "nextUnanswered", works: true, work: () => copy.nextUnanswered() },
    {
      label: "Go to what it follows",
      name: "follows",
      works: isSelected,
      work: () => copy.walk("follows"),
    },
    {
      label: "Go to what follows it",
      name: "followers",
      works: isSelected,
      work: () => copy.walk("followers"),
    },
    { label: "History", works: true, work: view.history },
    ...(copy.settings?.trials ?? []).map(({ name }) => ({
      label: `Type the answers of the trial ${name}`,
      works: true,
      work: () => copy.tryTrial(name),
    })),
    { label: "Clear the answers tried out", works: true, work: () => copy.clearAnswers() },
    { label: "The answers tried out before", works: copy.hasTriedBefore, work: () => copy.tryBefore() },
    {
      label: "Select nothing",
      name: "selectNothing",
      works: isSelected || copy.ofDocument,
      work: () => (copy.ofDocument ? copy.openDocument(false) : copy.select(null)),
    },
    {
      label: "Select more",
      note: "Ctrl click, Shift ↑ ↓ in the contents",
      works: false,
      work: () => {},
    },
    { label: "All actions", name: "actions", works: true, work: view.palette },
  ];
}

/** The keys of an action, as they are told. */
export function keysOf({ name, note = "" }: Action): string {
  return name ? KEYS[name][0] : note;
}

/** What the keys do in the Draft view, wherever they do not write text. */
export function onKeys(copy: WorkingCopy, view: ViewActions): (event: KeyboardEvent) => void {
  return (event) => {
    const name = pressed(event);
    if (!name) return;
    // Text that is marked somewhere on the page is what the browser copies.
    if (name === "copy" && String(getSelection())) return;
    const action = actions(copy, view).find((it) => it.name === name);
    if (!action?.works) return;
    event.preventDefault();
    void action.work();
  };
}
