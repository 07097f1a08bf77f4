// Leaves a new installation on, with the demo's people writing, filling in and signing all the time, and its connections
// retired each minute; looks whether anything fails, and whether anything grows that should not.
//   ./loesscape demo builds it; then: JAVA_HOME=… node bench/soak.mjs [minutes]
import { execFileSync, spawn } from "node:child_process";
import { copyFileSync, mkdirSync, readdirSync, readFileSync, rmSync, statSync } from "node:fs";
import { report, server } from "./documents.mjs";

const MINUTES = Number(process.argv[2] ?? 60);
/** For how many minutes the server is at work before the first look, so that what it fills once is filled. */
const WARM = Math.min(3, MINUTES / 4);
const PORT = 8096;
const DATA = "/tmp/loesscape-soak";
const BASE = `http://localhost:${PORT}`;
const HOME = process.env.JAVA_HOME;
const PEN = "M10 80L40 20L70 80";
const RETIRED_AFTER = 60_000;
const sleep = (milliseconds) => new Promise((resolve) => setTimeout(resolve, milliseconds));
const thinking = () => sleep(150 + Math.random() * 500);
const any = (list) => list[Math.floor(Math.random() * list.length)];

rmSync(DATA, { recursive: true, force: true });
mkdirSync(DATA, { recursive: true });
copyFileSync("server/target/loesscape.jar", `${DATA}/loesscape.jar`);
const child = spawn(
  HOME ? `${HOME}/bin/java` : "java",
  ["--enable-native-access=ALL-UNNAMED", "-Xmx350m", "-jar", `${DATA}/loesscape.jar`, "demo", "--port", PORT, "--data", `${DATA}/data`],
  { stdio: ["ignore", "pipe", "pipe"], env: { ...process.env, SPRING_DATASOURCE_HIKARI_MAX_LIFETIME: String(RETIRED_AFTER), SPRING_DATASOURCE_HIKARI_KEEPALIVE_TIME: "0" } },
);
/** What the server says of itself: nothing, where all goes well. */
const said = [];
for (const stream of [child.stdout, child.stderr]) stream.on("data", (data) => said.push(...String(data).split("\n").filter(Boolean)));
child.on("exit", (code) => code && console.log(`The server ended with ${code}: ${said.join("\n")}`));

async function signedIn() {
  const author = server(BASE);
  for (let i = 0; ; i++) {
    try {
      await author("GET", "/api/session");
      await author("POST", "/api/session/demo");
      return author;
    } catch (problem) {
      if (i > 600) throw problem;
      await sleep(200);
    }
  }
}

const author = await signedIn();
const { templates } = await author("GET", "/api/templates");
const id = (title) => templates.find((it) => it.title === title).id;
const counts = {};
const times = [];
const errors = [];
let isOver = false;

const count = (what) => (counts[what] = (counts[what] ?? 0) + 1);

/** Somebody who does one thing after the other until the time is over. */
async function person(what, act) {
  while (!isOver) {
    const begin = performance.now();
    try {
      await act();
      times.push(performance.now() - begin);
      count(what);
    } catch (problem) {
      errors.push(`${new Date().toISOString()} ${what}: ${problem}`);
      if (errors.length <= 10) console.log(errors.at(-1));
      await sleep(500);
    }
    await thinking();
  }
}

/** An author with a template of their own: edits, undoes, tries out, releases. */
async function writing() {
  const mine = await signedIn();
  let draft;
  let revision;
  let canUndo;
  await person("written", async () => {
    if (!draft) {
      const { id } = await mine("POST", "/api/templates", { title: `Soaked ${Math.floor(Math.random() * 1e6)}` });
      draft = `/api/templates/${id}/draft`;
      revision = 0;
    }
    const edit = (what) => mine("POST", `${draft}/edits`, { revision, edit: what });
    if (revision < 3) {
      ({ revision, canUndo } = await edit({ type: "add", what: any(["text", "number", "date", "yesNo"]), label: `Question ${revision}`, holder: "section_1", after: null }));
      return;
    }
    if (revision > 80) {
      await mine("POST", draft.replace("/draft", "/releases"), { revision, notes: "Soaked" });
      draft = undefined;
      return;
    }
    if (canUndo && Math.random() < 0.2) ({ revision, canUndo } = await mine("POST", `${draft}/undo`));
    else if (Math.random() < 0.3) await mine("PUT", `${draft}/answers`, { key: "question_0", typed: String(Math.random()) });
    else ({ revision, canUndo } = await edit({ type: "retitle", title: `Title ${revision}`, subtitle: "" }));
  });
}

/** Somebody who fills in the permit again and again. */
async function filling() {
  const { path } = await author("POST", `/api/templates/${id("Borehole and well permit")}/releases/1/links`);
  await person("filled in", async () => {
    const filler = server(BASE);
    await filler("GET", `/api${path}`);
    const typed = { applicant_name: "Femke", purpose: any(["irrigation", "cattle", "house"]), planned_depth: String(Math.floor(Math.random() * 90)) };
    for (const [key, value] of Object.entries(typed)) {
      await filler("PUT", `/api${path}/answers/${key}`, { typed: value });
      await thinking();
    }
    await filler("POST", `/api${path}/finish`);
  });
}

const AGREED = {
  formatVersion: 1,
  title: "Soaked agreement",
  pages: [{ key: "p", sections: [{ key: "s", items: ["a", "b"].flatMap((role) => [
    { type: "field", key: `${role}_note`, label: `Note of ${role}`, role, kind: { type: "text" } },
    ...(role === "a" ? [{ type: "field", key: "fee", label: "Fee", role, kind: { type: "payment", currency: "EUR", amount: "10" } }] : []),
    { type: "field", key: `${role}_sign`, label: `Signature of ${role}`, role, kind: { type: "signature" }, required: { type: "always" } },
  ]) }] }],
  roles: [{ key: "a", name: "A", order: 1 }, { key: "b", name: "B", order: 2 }],
};

async function linkOf(address) {
  for (let i = 0; i < 300; i++) {
    const { mail } = await author("GET", "/api/outside");
    const path = mail.find((it) => it.address === address && it.delivered && it.path.startsWith("/sign/"))?.path;
    if (path) return `/api${path}`;
    await sleep(200);
  }
  throw new Error(`No message came to ${address}`);
}

/** A sender and two signers; the finished document is sealed and checked. */
async function signing() {
  const { id } = await author("POST", "/api/templates/import", AGREED);
  await author("POST", `/api/templates/${id}/releases`, { revision: 0, notes: "" });
  await person("signed", async () => {
    const people = ["a", "b"].map((role) => ({ role, name: `Person ${role}`, address: `${role}${Math.floor(Math.random() * 1e9)}@soak.example` }));
    const sent = await author("POST", `/api/templates/${id}/releases/1/dispatches`, {
      people, answers: {}, message: "", due: null, remindDays: 0, mayDelegate: false,
    });
    for (const { role, address } of people) {
      const link = await linkOf(address);
      const signer = server(BASE);
      await signer("GET", link);
      await signer("POST", `${link}/consent`);
      await signer("PUT", `${link}/answers/${role}_note`, { typed: "A note" });
      if (role === "a") {
        const { path } = await signer("POST", `${link}/payments/fee`);
        await signer("POST", `/api${path}`, { approved: true });
      }
      await signer("PUT", `${link}/answers/${role}_sign`, { typed: PEN });
      const ended = await signer("POST", `${link}/finish`);
      if (!ended.finished) throw new Error(`Not finished: ${JSON.stringify(ended)}`);
    }
    for (let i = 0; ; i++) {
      const { dispatch } = await author("GET", `/api/dispatches/${sent.id}`);
      if (dispatch.standing === "finished") break;
      if (i > 300) throw new Error(`${sent.id} is never sealed`);
      await sleep(200);
    }
  });
}

/** How the server stands: heap that is in use after everything unused was thrown away, and what the system counts. */
function look(name) {
  const jcmd = (...command) => execFileSync(HOME ? `${HOME}/bin/jcmd` : "jcmd", [String(child.pid), ...command], { encoding: "utf8" });
  jcmd("GC.run");
  const heap = Math.round(Number(/used (\d+)K/.exec(jcmd("GC.heap_info"))[1]) / 1024);
  const status = readFileSync(`/proc/${child.pid}/status`, "utf8");
  const stands = {
    heap,
    resident: Math.round(Number(/VmRSS:\s+(\d+)/.exec(status)[1]) / 1024),
    threads: Number(/Threads:\s+(\d+)/.exec(status)[1]),
    files: readdirSync(`/proc/${child.pid}/fd`).length,
    megabytes: Math.round(statSync(`${DATA}/data/loesscape.mv.db`).size / 1024 / 1024),
  };
  console.log(`${name}: ${heap} MB of heap, ${stands.resident} MB resident, ${stands.threads} threads, ${stands.files} open files, database ${stands.megabytes} MB; ${JSON.stringify(counts)}, ${errors.length} errors`);
  return stands;
}

const people = [writing(), writing(), filling(), filling(), signing(), signing()];
await sleep(WARM * 60_000);
const first = look(`after ${WARM} minutes`);
const LOOKS = 6;
for (let i = 1; i < LOOKS; i++) {
  await sleep(((MINUTES - WARM) / LOOKS) * 60_000);
  look(`after ${Math.round(WARM + (i * (MINUTES - WARM)) / LOOKS)} minutes`);
}
await sleep(((MINUTES - WARM) / LOOKS) * 60_000);
isOver = true;
await Promise.all(people);
const last = look(`after ${MINUTES} minutes`);
report("one thing that somebody did, thinking included", times);
const grown = [];
if (last.heap > first.heap * 1.3 + 20) grown.push("heap");
if (last.threads > first.threads + 10) grown.push("threads");
if (last.files > first.files + 10) grown.push("open files");
const unwanted = said.filter((line) => !line.startsWith("Loesscape is ready") && !/Ctrl-C stops it/.test(line));
console.log(`${errors.length} errors; the server said ${unwanted.length} lines; grown: ${grown.join(", ") || "nothing"}`);
unwanted.slice(0, 20).forEach((line) => console.log(`  ${line}`));
child.kill();
process.exit(errors.length || grown.length || unwanted.length ? 1 : 0);
