// Documents of many items and a way to ask the server, for what is measured over HTTP and in the browser.

/** Every third item is a number, each of the others follows the number before it; a section holds fifteen. */
export function template(items) {
  const sections = [];
  for (let i = 0; i < items; i++) {
    if (i % 15 === 0) sections.push({ key: `section_${i}`, title: `Section ${i}`, items: [] });
    const field = `field_${i - (i % 3)}`;
    const follows = { type: "comparison", field, test: "atLeast", to: { type: "number", number: 10 } };
    const own = i % 3 === 0 ? { kind: { type: "number" } } : { kind: { type: "text" }, shown: follows, required: follows };
    sections.at(-1).items.push({ type: "field", key: `field_${i}`, label: `Question ${i}`, ...own });
  }
  return { formatVersion: 1, title: `${items} items`, pages: [{ key: "page", sections }] };
}

/** A server, asked as its pages ask it. */
export function server(base) {
  const cookies = new Map();
  const cookie = () => [...cookies].map(([name, value]) => `${name}=${value}`).join("; ");
  const send = async (method, path, body, type) => {
    const headers = { Cookie: cookie() };
    if (cookies.has("XSRF-TOKEN")) headers["X-XSRF-TOKEN"] = cookies.get("XSRF-TOKEN");
    if (body) headers["Content-Type"] = type;
    const response = await fetch(base + path, { method, headers, body });
    for (const cookie of response.headers.getSetCookie()) {
      const [, name, value] = /^([^=]+)=([^;]*)/.exec(cookie);
      cookies.set(name, value);
    }
    const text = await response.text();
    if (!response.ok) throw new Error(`${method} ${path}: ${response.status} ${text}`);
    return text ? JSON.parse(text) : undefined;
  };
  const ask = (method, path, body) => send(method, path, body && JSON.stringify(body), "application/json");
  ask.upload = (path, bytes) => send("POST", path, bytes, "application/octet-stream");
  ask.cookies = cookie;
  return ask;
}

export function report(name, times) {
  const sorted = times.toSorted((a, b) => a - b);
  const at = (share) => sorted[Math.floor(share * (sorted.length - 1))].toFixed(1);
  console.log(`${name}: median ${at(0.5)} ms, p95 ${at(0.95)} ms over ${sorted.length}`);
}
