// Many connections that send a byte every few seconds, in the head or in the body of a request, and one visitor who does not.
//   ./loesscape demo --port 8099 --data /tmp/bench   (in another terminal)
//   node bench/slow.mjs http://localhost:8099 [connections] [seconds]
// Says how long the visitor waits meanwhile, as a ratio to how long without the others, and how many of them are let go.
import net from "node:net";

const base = new URL(process.argv[2] ?? "http://localhost:8080");
const MANY = Number(process.argv[3] ?? 230);
const SECONDS = Number(process.argv[4] ?? 60);
const EVERY = 8_000;
const sleep = (milliseconds) => new Promise((resolve) => setTimeout(resolve, milliseconds));

async function visits(seconds) {
  const times = [];
  let errors = 0;
  for (const end = Date.now() + seconds * 1_000; Date.now() < end; await sleep(100)) {
    const begin = performance.now();
    try {
      const answer = await fetch(`${base.origin}/api/session`, { signal: AbortSignal.timeout(5_000) });
      await answer.text();
      if (!answer.ok) errors++;
    } catch {
      errors++;
    }
    times.push(performance.now() - begin);
  }
  times.sort((a, b) => a - b);
  return { median: times[Math.floor(times.length / 2)], most: times.at(-1), errors, visits: times.length };
}

await visits(5);
const alone = await visits(10);
const heads = ["GET /api/session HTTP/1.1\r\nHost: localhost\r\nX-Slow: ", "POST /api/session HTTP/1.1\r\nHost: localhost\r\nContent-Type: application/json\r\nContent-Length: 100000\r\n\r\n{"];
let held = 0;
let letGo = 0;
for (let i = 0; i < MANY; i++) {
  const socket = net.connect(Number(base.port), base.hostname, () => {
    held++;
    socket.write(heads[i % 2]);
  });
  const timer = setInterval(() => socket.write(" "), EVERY);
  socket.on("error", () => {});
  socket.on("close", () => {
    clearInterval(timer);
    letGo++;
  });
}
const together = await visits(SECONDS);
console.log(JSON.stringify({ alone, together, held, letGo, ratio: together.median / alone.median }, null, 2));
process.exit(together.errors ? 1 : 0);
