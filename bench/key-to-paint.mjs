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
  window.watch = (follower) => {
    const is = () => !!document.querySelector(follower);
    const was = is();
    window.painted = new Promise((resolve) => {
      let begin = 0;
      addEventListener("keydown", () => (begin = performance.now()), { once: true, capture: true });
      const watch = new MutationObserver(() => {
        if (!begin || is() === was) return;
        watch.disconnect();
        window.changed = performance.now() - begin;
        const { port1, port2 } = new MessageChannel();
        port1.onmessage = () => resolve(performance.now() - begin);
        requestAnimationFrame(() => port2.postMessage(0));
      });
      watch.observe(document.body, { childList: true, subtree: true });
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

for (const items of [300, 1000]) {
  const { id } = await ask("POST", "/api/templates/import", template(items));
  const { path } = await ask("POST", `/api/templates/${id}/releases`, { revision: 0, notes: "" });
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  await context.addInitScript(TIMER);
  const page = await context.newPage();

  const filled = performance.now();
  await page.goto(base + path);
  await page.locator("#f-field_0").waitFor();
  console.log(`${items} items, filler's page open: ${Math.round(performance.now() - filled)} ms`);
  await keys(`${items} items, filler's page, key to paint`, page, "#f-field_0", "#f-field_1");

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
  for (let i = 0; i < 40; i++) {
    const label = page.getByRole("textbox", { name: "Label", exact: true });
    await label.fill(`Question of round ${i}`);
    const begin = performance.now();
    await label.press("Enter");
    await page.waitForFunction((text) => document.querySelector("#c-field_3")?.textContent.includes(text), `round ${i}`);
    if (i >= 10) edits.push(performance.now() - begin);
  }
  report(`${items} items, Draft view, edit shown`, edits);
  await context.close();
}
await browser.close();
