// Many large files handed in at the same time.
//   ./loesscape demo --port 8099 --data /tmp/bench   (in another terminal; with JAVA_TOOL_OPTIONS=-Xmx512m it has little memory)
//   node bench/uploads.mjs http://localhost:8099 [uploads] [megabytes]
// Fails where one is not kept, or the server does not answer afterwards.
import { server } from "./documents.mjs";

const base = process.argv[2] ?? "http://localhost:8080";
const MANY = Number(process.argv[3] ?? 8);
const MEGABYTES = Number(process.argv[4] ?? 49);
const author = server(base);
await author("GET", "/api/session");
await author("POST", "/api/session/demo");
const field = { type: "field", key: "map", label: "Map", kind: { type: "attachment", most: 1, largest: 50 } };
const { id } = await author("POST", "/api/templates/import", {
  formatVersion: 1,
  title: "Large files",
  pages: [{ key: "p", sections: [{ key: "s", items: [field] }] }],
});
const { path } = await author("POST", `/api/templates/${id}/releases`, { revision: 0, notes: "" });
const bytes = new Uint8Array(MEGABYTES * 1_000_000).fill(37);
const begun = performance.now();
const kept = await Promise.all(
  Array.from({ length: MANY }, async () => {
    const person = server(base);
    await person("GET", `/api${path}`);
    return person.upload(`/api${path}/files?name=map.pdf`, bytes).then(
      () => true,
      (problem) => (console.log(String(problem.message).slice(0, 200)), false),
    );
  }),
);
const seconds = ((performance.now() - begun) / 1_000).toFixed(1);
await author("GET", "/api/templates");
console.log(`${kept.filter(Boolean).length} of ${MANY} files of ${MEGABYTES} MB kept within ${seconds} s`);
process.exit(kept.every(Boolean) ? 0 : 1);
