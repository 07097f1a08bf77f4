// How long the server takes to answer one typed text, and one edit, in a document of 300 items, over HTTP, kept on disk
// included.
//   ./loesscape demo --port 8099 --data /tmp/bench   (in another terminal)
//   node bench/state-answer.mjs http://localhost:8099
import { report, server, template } from "./documents.mjs";

const base = process.argv[2] ?? "http://localhost:8080";
const ITEMS = 300;
const ROUNDS = 600;
const ask = server(base);

async function measure(name, path, body, method = "PUT") {
  const times = [];
  for (let i = 0; i < ROUNDS; i++) {
    const key = `field_${3 * (i % (ITEMS / 3))}`;
    const begin = performance.now();
    await (body ? ask(method, path(key), body(key, String(5 + (i % 11)))) : ask("GET", path(key)));
    if (i >= ROUNDS / 3) times.push(performance.now() - begin);
  }
  report(name, times);
}

await ask("GET", "/api/session");
await ask("POST", "/api/session/demo");
const { id } = await ask("POST", "/api/templates/import", template(ITEMS));
await measure("Nothing but the way there and back", () => "/api/session");
await measure("Draft view", () => `/api/templates/${id}/draft/answers`, (key, typed) => ({ key, typed }));
let revision = 0;
await measure("One label changed", () => `/api/templates/${id}/draft/edits`, (key, typed) => ({
  revision: revision++,
  edit: { type: "relabel", key, label: `Question ${revision} of ${typed}` },
}), "POST");
const { path } = await ask("POST", `/api/templates/${id}/releases`, { revision, notes: "" });
await measure("Filler's page", (key) => `/api${path}/answers/${key}`, (_, typed) => ({ typed }));
