// Two hundred people filling in at once: half through a link to a release, half as signers of a dispatch.
//   ./loesscape demo --port 8099 --data /tmp/bench   (in another terminal)
//   node bench/load.mjs http://localhost:8099 [people] [seconds]
import { report, server } from "./documents.mjs";

const base = process.argv[2] ?? "http://localhost:8080";
const PEOPLE = Number(process.argv[3] ?? 200);
const SECONDS = Number(process.argv[4] ?? 40);
/** For how many seconds the server is at work before it is measured. */
const WARM = 40;
/** How long somebody thinks between two answers, on average: each time different, or one stall makes all wait and come together ever after. */
const PAUSE = 1_500;
const thinking = () => PAUSE * (0.5 + Math.random());
const sleep = (milliseconds) => new Promise((resolve) => setTimeout(resolve, milliseconds));

const author = server(base);
await author("GET", "/api/session");
await author("POST", "/api/session/demo");
const { templates } = await author("GET", "/api/templates");
const id = (title) => templates.find((it) => it.title === title).id;
const permit = await author("POST", `/api/templates/${id("Borehole and well permit")}/releases/1/links`);
const links = [];
for (let i = 0; i < PEOPLE; i++) {
  if (i % 2) {
    const person = server(base);
    await person("GET", `/api${permit.path}`);
    links.push({ person, path: `/api${permit.path}`, fields: ["applicant_name", "planned_depth", "holding_number", "contact"] });
    continue;
  }
  const address = `load${i}-${Date.now()}@load.example`;
  const person = (role) => ({ role, name: `Person ${i}`, address: role === "landowner" ? address : `${role}@load.example` });
  await author("POST", `/api/templates/${id("Drilling agreement")}/releases/1/dispatches`, {
    people: ["landowner", "driller", "hydrologist"].map(person), answers: {}, message: "", due: null, remindDays: 0, mayDelegate: false,
  });
  links.push({ address, fields: ["owner_name", "depth", "owner_phone", "advance_agreed"] });
}
for (const link of links.filter(({ address }) => address)) {
  for (let i = 0; !link.path && i < 100; i++) {
    const { mail } = await author("GET", "/api/outside");
    for (const it of links) it.path ??= it.address && mail.find((letter) => letter.address === it.address && letter.delivered)?.path && `/api${mail.find((letter) => letter.address === it.address).path}`;
    if (!link.path) await sleep(200);
  }
}
await Promise.all(
  links.map(async (link) => {
    link.person ??= server(base);
    await link.person("GET", link.path);
    if (link.address) await link.person("POST", `${link.path}/consent`);
  }),
);

const times = [];
let errors = 0;
let measuring = false;
const end = Date.now() + (SECONDS + WARM) * 1_000;
setTimeout(() => (measuring = true), WARM * 1_000);
await Promise.all(
  links.map(async ({ person, path, fields }, i) => {
    await sleep((i / PEOPLE) * PAUSE);
    for (let n = 0; Date.now() < end; n++) {
      const field = fields[n % fields.length];
      const begin = performance.now();
      try {
        await person("PUT", `${path}/answers/${field}`, { typed: /depth|advance/.test(field) ? String(20 + (n % 90)) : `Answer ${n}` });
        if (measuring) times.push(performance.now() - begin);
      } catch (problem) {
        errors++;
        if (errors < 5) console.log(String(problem));
      }
      await sleep(thinking());
    }
  }),
);
report(`${PEOPLE} people at once, keeping an answer`, times);
console.log(`${errors} errors, ${Math.round(times.length / SECONDS)} answers a second`);
process.exit(errors ? 1 : 0);
