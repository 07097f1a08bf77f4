// How long the server takes to answer one typed text in a document of 300 items, over HTTP, kept on disk included.
//   ./loesscape demo --port 8099 --data /tmp/bench   (in another terminal)
//   node bench/state-answer.mjs http://localhost:8099
const base = process.argv[2] ?? "http://localhost:8080";
const ITEMS = 300;
const ROUNDS = 600;
const cookies = new Map();

async function ask(method, path, body) {
  const headers = { Cookie: [...cookies].map(([name, value]) => `${name}=${value}`).join("; ") };
  if (cookies.has("XSRF-TOKEN")) headers["X-XSRF-TOKEN"] = cookies.get("XSRF-TOKEN");
  if (body) headers["Content-Type"] = "application/json";
  const response = await fetch(base + path, { method, headers, body: body && JSON.stringify(body) });
  for (const cookie of response.headers.getSetCookie()) {
    const [, name, value] = /^([^=]+)=([^;]*)/.exec(cookie);
    cookies.set(name, value);
  }
  const text = await response.text();
  if (!response.ok) throw new Error(`${method} ${path}: ${response.status} ${text}`);
  return text ? JSON.parse(text) : undefined;
}

/** Every third item is a number, each of the others follows the number before it; a section holds fifteen. */
function template() {
  const sections = [];
  for (let i = 0; i < ITEMS; i++) {
    if (i % 15 === 0) sections.push({ key: `section_${i}`, title: `Section ${i}`, items: [] });
    const field = `field_${i - (i % 3)}`;
    const follows = { type: "comparison", field, test: "atLeast", to: { type: "number", number: 10 } };
    const own = i % 3 === 0 ? { kind: { type: "number" } } : { kind: { type: "text" }, shown: follows, required: follows };
    sections.at(-1).items.push({ type: "field", key: `field_${i}`, label: `Question ${i}`, ...own });
  }
  return { formatVersion: 1, title: "300 items", pages: [{ key: "page", sections }] };
}

function report(name, times) {
  times.sort((a, b) => a - b);
  const at = (share) => times[Math.floor(share * (times.length - 1))].toFixed(1);
  console.log(`${name}: median ${at(0.5)} ms, p95 ${at(0.95)} ms, p99 ${at(0.99)} ms over ${times.length} answers`);
}

async function measure(name, path, body) {
  const times = [];
  for (let i = 0; i < ROUNDS; i++) {
    const key = `field_${3 * (i % (ITEMS / 3))}`;
    const begin = performance.now();
    await (body ? ask("PUT", path(key), body(key, String(5 + (i % 11)))) : ask("GET", path(key)));
    if (i >= ROUNDS / 3) times.push(performance.now() - begin);
  }
  report(name, times);
}

await ask("GET", "/api/session");
await ask("POST", "/api/session/demo");
const { id } = await ask("POST", "/api/templates/import", template());
await measure("Nothing but the way there and back", () => "/api/session");
await measure("Draft view", () => `/api/templates/${id}/draft/answers`, (key, typed) => ({ key, typed }));
const { path } = await ask("POST", `/api/templates/${id}/releases`, { revision: 0, notes: "" });
await measure("Filler's page", (key) => `/api${path}/answers/${key}`, (_, typed) => ({ typed }));
