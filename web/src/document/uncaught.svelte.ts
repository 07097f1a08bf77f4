import { Problem } from "../api/http";

/** What nobody has caught, in a sentence for whoever looks at the page; empty where nothing is. */
class Uncaught {
  message = $state("");

  /** Tells of everything that goes wrong in a window from now on, and that nothing else tells of. */
  watch(window: Window): void {
    window.addEventListener("error", (event) => this.note(event.error));
    window.addEventListener("unhandledrejection", (event) => this.note(event.reason));
  }

  /** Errors without an object are the browser's own remarks, of which nobody has to know. */
  private note(problem: unknown): void {
    if (problem === null || problem === undefined) return;
    if (problem instanceof DOMException && problem.name === "AbortError") return;
    this.message =
      problem instanceof Problem
        ? problem.message
        : "Something went wrong on this page. What was kept is safe; load the page again to go on.";
  }
}

export const uncaught = new Uncaught();
