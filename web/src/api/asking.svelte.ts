import { Problem, said } from "./http";

/** What a page asks of the server: whether it is under way, what it says when it is done, and what went wrong. */
export class Asking {
  /** Whether something is under way. */
  busy = $state(false);
  /** What went wrong with what was asked last; null where nothing did. */
  trouble = $state<Problem | null>(null);
  /** What to say of what was done last; empty where it shows by itself. */
  done = $state("");
  private last: (() => Promise<boolean>) | null = null;

  /** Whether the same may be asked again as it is. */
  get mayAgain(): boolean {
    return this.trouble !== null && (this.trouble.passing || this.trouble.repeatable);
  }

  /** Does what asks the server, and says whether it worked; what went wrong is kept, and never thrown. */
  async run(work: () => Promise<unknown>, done = ""): Promise<boolean> {
    this.busy = true;
    this.trouble = null;
    this.done = "";
    this.last = () => this.run(work, done);
    try {
      await work();
      this.done = done;
      return true;
    } catch (problem) {
      this.trouble = problem instanceof Problem ? problem : new Problem(500, said(problem));
      return false;
    } finally {
      this.busy = false;
    }
  }

  /** Does once more what went wrong. */
  again = (): void => void this.last?.();

  /** Tells of something that was found wrong before the server was asked. */
  refuse(message: string): void {
    this.trouble = new Problem(422, message);
    this.done = "";
  }
}
