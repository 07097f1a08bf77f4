// By how much the file of the database grows while people answer, and for how long it does.
//   ./loesscape demo --port 8099 --data /tmp/bench   (in another terminal)
//   node bench/growth.mjs http://localhost:8099 /tmp/bench [people] [rounds]
// Each round is a thousand answers; the last line says how many bytes an answer cost on average.
import { statSync } from "node:fs";
import { server } from "./documents.mjs";

const base = process.argv[2] ?? "http://localhost:8080";
const file = `${process.argv[3] ?? "data/demo"}/loesscape.mv.db`;
const PEOPLE = Number(process.argv[4] ?? 20);
const ROUNDS = Number(process.argv[5] ?? 20);
const ANSWERS = 1_000;

const author = server(base);
await author("GET", "/api/session");
await author("POST", "/api/session/demo");
const { templates } = await author("GET", "/api/templates");
const permit = templates.find(({ title }) => title === "Borehole and well permit").id;
const { path } = await author("POST", `/api/templates/${permit}/releases/1/links`);
const FIELDS = ["applicant_name", "planned_depth", "holding_number", "contact"];
const people = await Promise.all(
  Array.from({ length: PEOPLE }, async () => {
    const person = server(base);
    await person("GET", `/api${path}`);
    return person;
  }),
);
const size = () => statSync(file).size;
let n = 0;
async function answers(count) {
  let left = count;
  await Promise.all(
    people.map(async (person) => {
      while (left-- > 0) {
        const field = FIELDS[n++ % FIELDS.length];
        await person("PUT", `/api${path}/answers/${field}`, { typed: String(10 + (n % 80)) });
      }
    }),
  );
}
await answers(ANSWERS);
const begun = size();
for (let round = 1; round <= ROUNDS; round++) {
  await answers(ANSWERS);
  console.log(`${round * ANSWERS} answers: ${(size() / 1e6).toFixed(1)} MB`);
}
console.log(`${((size() - begun) / (ROUNDS * ANSWERS)).toFixed(0)} bytes an answer`);
