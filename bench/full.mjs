// What happens when the disk is full, and when there is room again.
//   mount -t tmpfs -o size=300m tmpfs /tmp/small          (or any small disk)
//   ./loesscape demo --port 8099 --data /tmp/small/data   (in another terminal)
//   node bench/full.mjs http://localhost:8099 /tmp/small
// Fails where something else than a sentence is said, where reading fails, or where writing does not go on by itself.
import { rmSync, statfsSync, writeFileSync } from "node:fs";
import { server } from "./documents.mjs";

const base = process.argv[2] ?? "http://localhost:8080";
const disk = process.argv[3] ?? "/tmp/small";
const sleep = (milliseconds) => new Promise((resolve) => setTimeout(resolve, milliseconds));
const author = server(base);
await author("GET", "/api/session");
await author("POST", "/api/session/demo");
const { templates } = await author("GET", "/api/templates");
const permit = templates.find(({ title }) => title === "Borehole and well permit").id;
const { path } = await author("POST", `/api/templates/${permit}/releases/1/links`);
const person = server(base);
await person("GET", `/api${path}`);
await person("PUT", `/api${path}/answers/applicant_name`, { typed: "Before" });

const left = () => statfsSync(disk).bavail * statfsSync(disk).bsize;
const filler = `${disk}/filler`;
const block = Buffer.alloc(1 << 20);
writeFileSync(filler, "");
while (left() > 1 << 20) writeFileSync(filler, block.subarray(0, Math.min(block.length, left() - (1 << 19))), { flag: "a" });
await sleep(2_000);
let failed = 0;
let sentence = "";
for (let i = 0; i < 100; i++) {
  try {
    await person("PUT", `/api${path}/answers/applicant_name`, { typed: `Full ${i}` });
  } catch (problem) {
    failed++;
    sentence = String(problem.message ?? problem);
  }
  while (left() > 4 << 20) writeFileSync(filler, block, { flag: "a" });
}
const read = await person("GET", `/api${path}`);
const records = await author("GET", `/api/templates/${permit}/records`);
console.log(`full: ${failed} of 100 writes refused (“${sentence}”), ${records.total} records read, answers read: ${Object.keys(read.answers).length}`);
rmSync(filler);
let again = 0;
for (let i = 0; i < 30 && !again; i++) {
  await sleep(500);
  try {
    await person("PUT", `/api${path}/answers/applicant_name`, { typed: "After" });
    again = (i + 1) / 2;
  } catch {
    // not yet
  }
}
const after = await person("GET", `/api${path}`);
console.log(`room again: writing went on within ${again} s, and says “${after.answers.applicant_name}”`);
process.exit(failed === 100 && again && after.answers.applicant_name === "After" ? 0 : 1);
