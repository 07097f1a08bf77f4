/** A step that cannot be taken back, and that is asked about before it is made. */
export type Step = {
  /** What would be done, as a question. */
  question: string;
  /** What that means, in a sentence. */
  means: string;
  /** What the button says that does it. */
  does: string;
};

/** Asks about one step at a time; only what is irrevocable is worth it. */
class Confirming {
  step = $state<Step | null>(null);
  private answer: ((really: boolean) => void) | null = null;

  /** Asks, and tells whether it is to be done. */
  ask(step: Step): Promise<boolean> {
    this.end(false);
    this.step = step;
    return new Promise((resolve) => (this.answer = resolve));
  }

  end(really: boolean): void {
    this.step = null;
    this.answer?.(really);
    this.answer = null;
  }
}

export const confirming = new Confirming();
