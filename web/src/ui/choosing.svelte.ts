import { tick } from "svelte";

/** Choosing one of a list by keys, while the focus stays in a line of text above it (the combobox of WAI-ARIA 1.2). */
export class Choosing<T> {
  /** Which of the list is at hand; 0 where there is none. */
  at = $state(0);

  constructor(
    private readonly id: string,
    private readonly list: () => readonly T[],
  ) {}

  /** The id of the list. */
  get listId(): string {
    return `${this.id}-list`;
  }

  /** The id of what is at hand; undefined where the list is empty. */
  get activeId(): string | undefined {
    return this.at < this.list().length ? this.optionId(this.at) : undefined;
  }

  /** What is at hand. */
  get current(): T | undefined {
    return this.list()[this.at];
  }

  optionId(at: number): string {
    return `${this.id}-${at}`;
  }

  /** Puts at hand, and in sight. */
  go(at: number): void {
    this.at = Math.max(0, Math.min(at, this.list().length - 1));
    void tick().then(() =>
      document.getElementById(this.optionId(this.at))?.scrollIntoView({ block: "nearest" }),
    );
  }

  /** Does what a key means to a list; says whether it means anything, and then nobody else hears of it. */
  keyed(event: KeyboardEvent, does: { pick: (it: T | undefined) => void; close: () => void }): boolean {
    switch (event.key) {
      case "ArrowDown":
        this.go(this.at + 1);
        break;
      case "ArrowUp":
        this.go(this.at - 1);
        break;
      case "Enter":
        does.pick(this.current);
        break;
      case "Escape":
        does.close();
        break;
      default:
        return false;
    }
    event.preventDefault();
    event.stopPropagation();
    return true;
  }
}
