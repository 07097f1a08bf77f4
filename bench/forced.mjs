// What bench/forced.sh looks at: nothing for ten seconds, two hundred answers, or fifty finished documents.
import { server } from "./documents.mjs";

const [base, kind] = process.argv.slice(2);
if (kind === "idle") {
  await new Promise((resolve) => setTimeout(resolve, 10_000));
  process.exit();
}
const author = server(base);
await author("GET", "/api/session");
await author("POST", "/api/session/demo");
const { id } = await author("POST", "/api/templates/import", {
  formatVersion: 1,
  title: `Forced ${Date.now()}`,
  pages: [{ key: "p", sections: [{ key: "s", items: [{ type: "field", key: "note", label: "Note", kind: { type: "text" } }] }] }],
});
const { path } = await author("POST", `/api/templates/${id}/releases`, { revision: 0, notes: "" });
const times = [];
for (let i = 0; i < (kind === "answers" ? 200 : 50); i++) {
  const person = server(base);
  await person("GET", `/api${path}`);
  if (kind === "finishes") await person("PUT", `/api${path}/answers/note`, { typed: String(i) });
  const begun = performance.now();
  if (kind === "answers") await person("PUT", `/api${path}/answers/note`, { typed: String(i) });
  else await person("POST", `/api${path}/finish`);
  times.push(performance.now() - begun);
}
times.sort((a, b) => a - b);
console.log(`${kind}: ${times.length}, median ${times[times.length >> 1].toFixed(1)} ms`);
