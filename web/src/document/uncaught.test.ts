import { beforeEach, describe, expect, it } from "vitest";
import { Problem } from "../api/http";
import { uncaught } from "./uncaught.svelte";

const page = new EventTarget();
uncaught.watch(page as Window);

function happen(type: string, of: Record<string, unknown>) {
  page.dispatchEvent(Object.assign(new Event(type), of));
}

describe("what nobody has caught", () => {
  beforeEach(() => (uncaught.message = ""));

  it("is told, with what to do, whether it was thrown or refused", () => {
    happen("error", { error: new TypeError("x is undefined") });
    expect(uncaught.message).toContain("load the page again");
    expect(uncaught.message).not.toContain("undefined");
    uncaught.message = "";
    happen("unhandledrejection", { reason: new Error("boom") });
    expect(uncaught.message).toContain("load the page again");
  });

  it("is told in the words of the server where these are known", () => {
    happen("unhandledrejection", { reason: new Problem(503, "No room is left; try again later.") });
    expect(uncaught.message).toBe("No room is left; try again later.");
  });

  it("is nothing where the browser only remarks something, or a request was called off", () => {
    happen("error", { error: null });
    happen("unhandledrejection", { reason: new DOMException("", "AbortError") });
    expect(uncaught.message).toBe("");
  });
});
