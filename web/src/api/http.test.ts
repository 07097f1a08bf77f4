import { afterEach, describe, expect, test, vi } from "vitest";
import { serverThat } from "../testing/server";
import { Problem, request } from "./http";

afterEach(() => vi.unstubAllGlobals());

async function problem(): Promise<Problem> {
  return request("GET", "/api/x").then(
    () => {
      throw new Error("it was answered");
    },
    (error: Problem) => error,
  );
}

describe("a problem always says something", () => {
  test.each([
    [{ status: 422, detail: "The label is empty." }, "The label is empty."],
    [{ status: 500, detail: "" }, "the server answered 500"],
    [{ status: 500, text: "{}" }, "the server answered 500"],
    [{ status: 502, text: "<html>Bad gateway</html>" }, "the server answered 502"],
    ["unreachable" as const, "cannot be reached"],
  ])("%j", async (answer, words) => {
    serverThat(() => answer);
    expect((await problem()).message).toContain(words);
  });

  test("also where a success cannot be read", async () => {
    vi.stubGlobal("fetch", async () => new Response("<html>", { status: 200 }));
    expect((await problem()).message).toContain("cannot be read");
  });
});

test.each([
  [0, true, false],
  [400, false, false],
  [401, false, true],
  [403, false, true],
  [409, false, false],
  [422, false, false],
  [429, false, true],
  [500, false, true],
  [503, true, true],
])("status %i: goes through of itself %s, may be asked again %s", async (status, passing, repeatable) => {
  serverThat(() => (status ? { status, detail: "x" } : "unreachable"));
  const it = await problem();
  expect([it.passing, it.repeatable]).toEqual([passing, repeatable]);
});

test("where only the token had run out, the same is asked once more with the new one", async () => {
  document.cookie = "XSRF-TOKEN=old";
  const asked = serverThat(() => {
    if (asked.length > 1) return { body: { kept: true } };
    document.cookie = "XSRF-TOKEN=new";
    return { status: 403, detail: "The page is old." };
  });
  expect(await request("PUT", "/api/x", { typed: "12" })).toEqual({ kept: true });
  expect(asked.map(({ body }) => body)).toEqual([{ typed: "12" }, { typed: "12" }]);

  const refused = serverThat(() => ({ status: 403, detail: "Not allowed." }));
  await expect(request("PUT", "/api/x", {})).rejects.toThrow("Not allowed.");
  expect(refused).toHaveLength(1);
});
