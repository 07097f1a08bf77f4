// From the press of a key to the painted state, in Debian's Chromium, and how long the Draft view takes to open.
//   ./loesscape demo --port 8099 --data /tmp/bench   (in another terminal)
//   npm install --no-save --prefix bench playwright-core@1.64.1 && node bench/key-to-paint.mjs http://localhost:8099
import { chromium } from "playwright-core";
import { report, server, template } from "./documents.mjs";

const base = process.argv[2] ?? "http://localhost:8080";
const ROUNDS = 150;
const WARM = 30;
const ask = server(base);
await ask("GET", "/api/session");
await ask("POST", "/api/session/demo");

const browser = await chromium.launch({
  executablePath: "/usr/bin/chromium",
  args: ["--no-sandbox", "--disable-gpu", "--disable-quic", "--no-first-run", "--disable-background-networking"],
});

/** Tells when what follows a number is there, or gone, and painted: the task after the frame that shows it. */
const TIMER = () => {
  window.watch = (follower, what = "is") => {
    const is = () => (what === "text" ? document.querySelector(follower)?.textContent : !!document.querySelector(follower));
    const was = is();
    window.painted = new Promise((resolve) => {
      let begin = 0;
      const pressed = () => (begin = performance.now());
      addEventListener("keydown", pressed, { capture: true });
      const watch = new MutationObserver(() => {
        if (!begin || is() === was) return;
        watch.disconnect();
        removeEventListener("keydown", pressed, { capture: true });
        window.changed = performance.now() - begin;
        const { port1, port2 } = new MessageChannel();
        port1.onmessage = () => resolve(performance.now() - begin);
        requestAnimationFrame(() => port2.postMessage(0));
      });
      watch.observe(document.body, { childList: true, characterData: true, subtree: true });
    });
  };
};

async function keys(name, page, input, follower) {
  const times = [];
  await page.locator(input).fill("1");
  await page.locator(input).focus();
  await page.waitForTimeout(1000);
  for (let i = 0; i < WARM + ROUNDS; i++) {
    await page.evaluate((to) => window.watch(to), follower);
    await page.keyboard.press(i % 2 ? "Backspace" : "5");
    const time = await page.evaluate(() => window.painted);
    if (i >= WARM) times.push(time);
  }
  report(name, times);
}

/** What the machine itself takes: a bare page that asks the same server for next to nothing and shows one line. */
async function bare() {
  const { context, page } = await fresh();
  await page.goto(base + "/api/session");
  await page.evaluate(() => {
    const input = document.body.appendChild(document.createElement("input"));
    input.id = "bare";
    input.addEventListener("input", async () => {
      await (await fetch("/api/session")).json();
      const line = document.getElementById("line");
      if (line) return line.remove();
      document.body.appendChild(Object.assign(document.createElement("p"), { id: "line" })).textContent = "Shown";
    });
  });
  await keys("bare page, key to paint", page, "#bare", "#line");
  await context.close();
}

/** A document of so many items, released, on a server that has been at work with it for a while. */
async function released(items) {
  const { id } = await ask("POST", "/api/templates/import", template(items));
  const { path } = await ask("POST", `/api/templates/${id}/releases`, { revision: 0, notes: "" });
  for (let i = 0; i < 400; i++) await ask("PUT", `/api${path.replace("/f/", "/fill/")}/answers/field_0`, { typed: `${i}` });
  return { items, id, path };
}

async function filler({ items, path }, when = "") {
  const { context, page } = await fresh();
  const opened = performance.now();
  await page.goto(base + path);
  await page.locator("#f-field_0").waitFor();
  console.log(`${items} items, filler's page open${when}: ${Math.round(performance.now() - opened)} ms`);
  await keys(`${items} items, filler's page, key to paint${when}`, page, "#f-field_0", "#f-field_1");
  await context.close();
}

async function draft({ items, id }) {
  const { context, page } = await fresh();
  await page.goto(base + "/");
  await page.getByRole("button", { name: /^Go in as/ }).click();
  await page.getByRole("link", { name: `${items} items` }).first().waitFor();
  for (const again of ["first", "again"]) {
    const opened = performance.now();
    await page.goto(`${base}/templates/${id}`);
    await page.locator("#i-field_0 input").waitFor();
    console.log(`${items} items, Draft view open, ${again}: ${Math.round(performance.now() - opened)} ms`);
  }
  await keys(`${items} items, Draft view, key to paint`, page, "#i-field_0 input", "#a-field_1");
  const edits = [];
  await page.locator("#c-field_3").click();
  await page.getByRole("textbox", { name: "Label", exact: true }).focus();
  for (let i = 0; i < 40; i++) {
    await page.evaluate((to) => window.watch(to, "text"), "#c-field_3");
    await page.keyboard.press("ControlOrMeta+a");
    await page.keyboard.insertText(`Question of round ${i}`);
    await page.keyboard.press("Enter");
    const time = await page.evaluate(() => window.painted);
    if (i >= 10) edits.push(time);
  }
  report(`${items} items, Draft view, edit shown`, edits);
  await context.close();
}

async function fresh() {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  await context.addInitScript(TIMER);
  return { context, page: await context.newPage() };
}

await bare();
const documents = [await released(300), await released(1000)];
for (const document of documents) {
  await filler(document);
  await draft(document);
}
// What comes first meets a cold browser: both once more, the other way round.
for (const document of documents.toReversed()) await filler(document, ", once more");
await browser.close();
