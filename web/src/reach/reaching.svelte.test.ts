import { beforeEach, expect, test } from "vitest";
import type { ReachTable } from "../api/types";
import { WorkingCopy } from "../draft/workingCopy.svelte";
import { serverThat, settled } from "../testing/server";
import { Reaching } from "./reaching.svelte";

const table = (field: string): ReachTable => ({
  field,
  rows: [],
  columns: [],
  cells: [],
  note: "",
});

let reaching: Reaching;

beforeEach(() => {
  reaching = new Reaching(new WorkingCopy("t"));
  reaching.look("depth");
});

test("a table is asked for with its edges and what was added, held or for all", async () => {
  const all = serverThat(() => ({ body: { revision: 1, table: table("depth") } }));
  reaching.edges = ["30", "2.5"];
  reaching.besides = ["crop"];
  await reaching.load();
  reaching.isHeld = false;
  await reaching.load();
  expect(all.map(({ path }) => path)).toEqual([
    "/api/templates/t/draft/reach/depth?reading=HELD&edge=30&edge=2.5&item=crop",
    "/api/templates/t/draft/reach/depth?reading=ALL&edge=30&edge=2.5&item=crop",
  ]);
});

test("what was asked of another field comes too late to be taken", async () => {
  serverThat(({ path }) => ({
    body: { revision: 1, table: table(path.includes("depth") ? "depth" : "use") },
  }));
  const late = reaching.load();
  reaching.look("use");
  await Promise.all([late, reaching.load()]);
  expect(reaching.table?.field).toBe("use");
});

test("nothing is set while a table is worked out, nor in that for all answers", async () => {
  serverThat(() => ({ body: { revision: 1, table: table("depth") } }));
  expect(reaching.isPaintable).toBe(true);
  const load = reaching.load();
  expect(reaching.isPaintable).toBe(false);
  await load;
  expect(reaching.isPaintable).toBe(true);
  reaching.isHeld = false;
  expect(reaching.isPaintable).toBe(false);
});

test("looking at it in an effect asks once for each change, and not without end", async () => {
  const all = serverThat(() => ({ body: { revision: 1, table: table("depth") } }));
  const stop = $effect.root(() => reaching.follow(() => true));
  await settled();
  expect(all).toHaveLength(1);
  reaching.edges = ["30"];
  await settled();
  expect(all).toHaveLength(2);
  stop();
});

test("an answer that cannot be is no edge, the table stays, and what is said of it too", async () => {
  serverThat(({ path }) =>
    path.includes("edge=deep")
      ? { status: 422, detail: "“deep” is no answer." }
      : { body: { revision: 1, table: table("depth") } },
  );
  const stop = $effect.root(() => reaching.follow(() => true));
  await settled();
  expect(await reaching.cut(["30"])).toBe(true);
  await settled();
  expect(await reaching.cut(["deep"])).toBe(false);
  await settled();
  expect(reaching.edges).toEqual(["30"]);
  expect(reaching.trouble).toBe("“deep” is no answer.");
  expect(reaching.table?.field).toBe("depth");
  expect(await reaching.cut(["40"])).toBe(true);
  await settled();
  expect(reaching.trouble).toBe("");
  stop();
});

test("examples are asked for of the revision whose lines are looked at", async () => {
  const all = serverThat(({ path }) => ({
    body: path.includes("examples")
      ? { yes: null, no: null, because: [] }
      : { revision: 7, table: table("depth") },
  }));
  await reaching.load();
  await reaching.examples(2, 1);
  expect(all.at(-1)?.path).toBe(
    "/api/templates/t/draft/reach/depth/examples?reading=HELD&revision=7&row=2&column=1",
  );
});
