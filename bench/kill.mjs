// Ends the server at random moments while people sign, and looks whether anything was lost: by kill -9 on its own process,
// and each third time by using up its memory, on which it ends by itself.
//   ./loesscape demo builds it; then: node bench/kill.mjs [times] [seed]
import { execFile, execFileSync, spawn } from "node:child_process";
import { copyFileSync, mkdirSync, rmSync, writeFileSync } from "node:fs";
import { server } from "./documents.mjs";

const TIMES = Number(process.argv[2] ?? 30);
let seed = Number(process.argv[3] ?? Date.now() % 1_000_000);
console.log(`seed ${seed}`);
const random = () => ((seed = (seed * 1_103_515_245 + 12_345) % 2 ** 31) / 2 ** 31);
const PORT = 8097;
const DATA = "/tmp/loesscape-kill";
const BASE = `http://localhost:${PORT}`;
const java = process.env.JAVA_HOME ? `${process.env.JAVA_HOME}/bin/java` : "java";
const PEN = "M10 80L40 20L70 80";
const sleep = (milliseconds) => new Promise((resolve) => setTimeout(resolve, milliseconds));

rmSync(DATA, { recursive: true, force: true });
mkdirSync(DATA, { recursive: true });
// A copy, so that a build meanwhile does not change what runs.
const JAR = `${DATA}/loesscape.jar`;
copyFileSync("server/target/loesscape.jar", JAR);

/** Compiled here, so that nothing of it is in the product. */
const FILLING = `${DATA}/filling`;
const inJdk = (tool) => java.replace(/java$/, tool);
mkdirSync(FILLING);
execFileSync(inJdk("javac"), ["-d", FILLING, "bench/FillMemory.java"]);
writeFileSync(`${FILLING}/MANIFEST`, "Agent-Class: FillMemory\n");
execFileSync(inJdk("jar"), ["-c", "-f", `${FILLING}/agent.jar`, "-m", `${FILLING}/MANIFEST`, "-C", FILLING, "FillMemory.class"]);

/** Ends the server, and tells with what exit code or signal it did. */
async function end(byMemory) {
  const ended = new Promise((resolve) => child.once("exit", (code, signal) => resolve(signal ?? code)));
  if (byMemory) execFile(java, ["-cp", FILLING, "FillMemory", String(child.pid), `${FILLING}/agent.jar`], () => {});
  else process.kill(child.pid, "SIGKILL");
  const how = await ended;
  // 3 is what Java ends with when there is no memory left.
  expect(how === (byMemory ? 3 : "SIGKILL"), `the server ended with ${how}`);
}

let child;
async function start() {
  child = spawn(
    java,
    ["-Xmx512m", "-XX:+ExitOnOutOfMemoryError", "--enable-native-access=ALL-UNNAMED", "-jar", JAR, "demo", "--port", PORT, "--data", DATA],
    { stdio: ["ignore", "ignore", "ignore"] },
  );
  for (let i = 0; i < 600; i++) {
    try {
      if ((await fetch(`${BASE}/api/session`)).ok) return;
    } catch {
      // not there yet
    }
    await sleep(100);
  }
  throw new Error("The server did not start");
}

/** What the first role may pay. */
const PAYMENT = [
  { type: "field", key: "advance", label: "Advance", role: "a", kind: { type: "money", currency: "EUR" } },
  { type: "field", key: "paid", label: "Paid", role: "a", kind: { type: "payment", currency: "EUR", amount: "advance" } },
];

/** Two roles at the same time, then a third. */
const TEMPLATE = {
  formatVersion: 1,
  title: "Killed",
  pages: [
    {
      key: "p",
      sections: [
        {
          key: "s",
          items: ["a", "b", "c"].flatMap((role) => [
            ...(role === "a" ? PAYMENT : []),
            ...[1, 2, 3, 4].map((n) => ({ type: "field", key: `${role}_${n}`, label: `${role} ${n}`, role, kind: { type: "text" } })),
            { type: "field", key: `${role}_sign`, label: `Signature ${role}`, role, kind: { type: "signature" }, required: { type: "always" } },
          ]),
        },
      ],
    },
  ],
  roles: [
    { key: "a", name: "A", order: 1 },
    { key: "b", name: "B", order: 1 },
    { key: "c", name: "C", order: 2 },
  ],
};

/** What the server has acknowledged, by dispatch: answers, and turns that were finished. */
const known = new Map();
let author;
let template;
const counts = { answers: 0, finished: 0, sent: 0, paid: 0 };

async function signIn() {
  author = server(BASE);
  await author("GET", "/api/session");
  for (let i = 0; ; i++) {
    try {
      await author("POST", "/api/session/demo");
      return;
    } catch (problem) {
      if (i > 100) throw problem;
      await sleep(200);
    }
  }
}

async function send() {
  const people = ["a", "b", "c"].map((role) => ({ role, name: `Person ${role}`, address: `${role}${Math.floor(random() * 1e9)}@kill.example` }));
  const { id } = await author("POST", `/api/templates/${template}/releases/1/dispatches`, {
    people, answers: {}, message: "", due: null, remindDays: 0, mayDelegate: false,
  });
  known.set(id, { people, answers: {}, tried: {}, finished: new Set() });
  counts.sent++;
}

async function linkOf(address) {
  const { mail } = await author("GET", "/api/outside");
  return mail.find((it) => it.address === address && it.delivered && it.path.startsWith("/sign/"))?.path;
}

/** Pays at the desk, which has the payment whether or not the server has heard of it. */
async function pay(person, link, state) {
  await person("PUT", `/api${link}/answers/advance`, { typed: "25" });
  const { path } = await person("POST", `/api${link}/payments/paid`);
  const { state: stands } = await person("POST", `/api${path}`, { approved: true });
  if (stands !== "approved") return;
  state.paid = true;
  counts.paid++;
}

/** One step of one person: answers something, pays, or signs and finishes. */
async function act() {
  const open = [...known].filter(([, it]) => it.finished.size < 3);
  if (open.length < 3) return send();
  const [id, state] = open[Math.floor(random() * open.length)];
  const { dispatch } = await author("GET", `/api/dispatches/${id}`);
  const acting = dispatch.parties.filter(({ turn }) => turn === "acting");
  if (!acting.length) return;
  const { role, address } = acting[Math.floor(random() * acting.length)];
  const link = await linkOf(address);
  if (!link) return;
  const person = server(BASE);
  await person("GET", `/api${link}`);
  await person("POST", `/api${link}/consent`);
  for (let n = 1; n <= 4; n++) {
    const typed = `answer ${Math.floor(random() * 1e9)}`;
    (state.tried[`${role}_${n}`] ??= new Set()).add(typed);
    await person("PUT", `/api${link}/answers/${role}_${n}`, { typed });
    state.answers[`${role}_${n}`] = typed;
    counts.answers++;
  }
  if (role === "a" && !state.paid) await pay(person, link, state);
  if (random() < 0.5) return;
  await person("PUT", `/api${link}/answers/${role}_sign`, { typed: PEN });
  state.answers[`${role}_sign`] = PEN;
  const pressed = await Promise.allSettled([person("POST", `/api${link}/finish`), person("POST", `/api${link}/finish`)]);
  if (pressed.some(({ value }) => value?.finished)) {
    state.finished.add(role);
    counts.finished++;
  }
}

const problems = [];
const expect = (holds, what) => holds || problems.push(what);

/** Whether all that was acknowledged is there, and nothing twice. */
async function check() {
  for (const [id, state] of known) {
    const page = await author("GET", `/api/dispatches/${id}`);
    page.trail.forEach(({ number }, i) => expect(number === i + 1, `${id}: entry ${i + 1} of the trail is ${number}`));
    for (const party of page.dispatch.parties) {
      const times = page.trail.filter(({ words }) => words.startsWith(`Finished the turn of ${party.title} `)).length;
      expect(times <= 1, `${id}: ${party.title} finished ${times} times`);
      if (state.finished.has(party.role)) expect(times === 1, `${id}: the finished turn of ${party.title} is lost`);
      // An answer on its way when the server was killed may have been kept without having been acknowledged.
      if (times === 1) state.finished.add(party.role);
      if (party.turn !== "acting") continue;
      const link = await linkOf(party.address);
      if (!link) continue;
      const { sheet } = await server(BASE)("GET", `/api${link}`);
      for (const [key, typed] of Object.entries(state.answers)) {
        if (!key.startsWith(`${party.role}_`)) continue;
        const kept = sheet.answers[key];
        // Another of the four may have answered the same field since, acknowledged or not.
        expect(kept === typed || state.tried[key]?.has(kept), `${id}: the answer ${key} is lost`);
      }
    }
    const payments = page.trail.filter(({ words }) => words.startsWith("Paid €")).length;
    expect(payments === (state.paid ? 1 : Math.min(payments, 1)), `${id}: paid ${payments} times`);
    // Paid, but killed before that was said.
    state.paid ||= payments === 1;
    expect(
      page.trail.filter(({ words }) => words.startsWith("All have signed")).length <= 1,
      `${id}: finished more than once`,
    );
  }
}

await start();
await signIn();
({ id: template } = await author("POST", "/api/templates/import", TEMPLATE));
await author("POST", `/api/templates/${template}/releases`, { revision: 0, notes: "" });
for (let kill = 1; kill <= TIMES; kill++) {
  let alive = true;
  const people = Array.from({ length: 4 }, async () => {
    while (alive)
      await act().catch((problem) => {
        // While the server is down every request fails; anything else is worth a word.
        if (!/: (409|410) |fetch failed|terminated|ECONN|EPIPE/.test(String(problem) + String(problem.cause))) console.log(String(problem));
        return sleep(50);
      });
  });
  await sleep(1_500 + random() * 5_000);
  // People go on while the memory runs out.
  if (kill % 3 === 0) await end(true);
  alive = false;
  await Promise.all([kill % 3 === 0 ? null : end(false), ...people]);
  await start();
  await signIn();
  await check();
  console.log(`kill ${kill}: ${JSON.stringify(counts)}, ${problems.length} problems`);
}
// What has begun comes to its end: every finished document is sealed, and its trail holds together.
let sealed = 0;
for (let round = 0; round < 600; round++) {
  const { dispatches } = await author("GET", "/api/dispatches?size=1000");
  if (!dispatches.some(({ id, standing }) => known.has(id) && standing === "sealing")) break;
  await sleep(200);
}
for (const [id] of known) {
  const { dispatch } = await author("GET", `/api/dispatches/${id}`);
  if (dispatch.standing !== "finished") continue;
  const answer = await fetch(`${BASE}/api/dispatches/${id}/document.pdf`, { headers: { Cookie: author.cookies() } });
  const checked = await author.upload("/api/verify", new Uint8Array(await answer.arrayBuffer()));
  expect(checked.verdict === "sealedHere" && checked.brokenAt === 0, `${id}: ${checked.message}`);
  sealed++;
}
child.kill();
console.log(`${TIMES} kills, ${JSON.stringify(counts)}, ${sealed} sealed documents whole, problems: ${problems.length}`);
problems.slice(0, 20).forEach((it) => console.log(it));
process.exit(problems.length || !sealed ? 1 : 0);
