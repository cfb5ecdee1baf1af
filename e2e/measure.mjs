// Measures the time from a pointer move to the painted proof, in headless Chromium:
// node measure.mjs ADDRESS [MOVES]
import { chromium } from "@playwright/test";
import { CHROMIUM_ARGS } from "./chromium.mjs";

const [address, moves = "200"] = process.argv.slice(2);
const browser = await chromium.launch({ executablePath: "/usr/bin/chromium", args: CHROMIUM_ARGS });
const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, colorScheme: null });
await page.goto(`${address}/themes/brindle-sound-ferries/stave`);
const step = page.getByRole("slider", { name: "Petrol 300, lightness" });
await step.waitFor();
await page.waitForTimeout(800);

// Long tasks while the pointer moves, and the frame after the proof was painted.
await page.evaluate(() => {
  window.times = [];
  window.long = [];
  new PerformanceObserver((list) => window.long.push(...list.getEntries().map((e) => e.duration))).observe({
    type: "longtask",
  });
  let from = 0;
  window.addEventListener("pointermove", () => (from = performance.now()), { capture: true });
  window.addEventListener("proof-painted", (event) => {
    if (event.detail !== "dark" || from === 0) return;
    const started = from;
    from = 0;
    requestAnimationFrame(() => {
      const channel = new MessageChannel();
      channel.port1.onmessage = () => window.times.push(performance.now() - started);
      channel.port2.postMessage(0);
    });
  });
});

const box = await step.boundingBox();
const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
await page.mouse.move(x, y);
await page.mouse.down();
for (let i = 0; i < Number(moves); i++) {
  await page.mouse.move(x - 12 - (i % 24), y);
  await page.waitForTimeout(60);
}
await page.waitForTimeout(200);
const { times, long } = await page.evaluate(() => ({ times: window.times, long: window.long }));
await page.mouse.up();
await page.waitForTimeout(300);

// Typing, scrolling and changing stages: only long tasks count.
await page.evaluate(() => (window.long = []));
for (const stage of ["Brand", "Stave", "Ledger", "Handoff", "Ledger"]) {
  await page.getByRole("link", { name: new RegExp(stage) }).click();
  await page.waitForTimeout(500);
}
const search = page.getByRole("textbox", { name: "Search tokens" });
await search.pressSequentially("primary.fill", { delay: 40 });
await search.fill("");
await page.getByRole("region", { name: "Tokens" }).hover();
for (let i = 0; i < 40; i++) await page.mouse.wheel(0, 160);
await page.waitForTimeout(500);
const other = await page.evaluate(() => window.long);
await page.getByRole("button", { name: "Undo" }).click();
await page.waitForTimeout(400);
await browser.close();

times.sort((a, b) => a - b);
const at = (q) => times[Math.min(times.length - 1, Math.floor(times.length * q))].toFixed(1);
console.log(
  `${times.length} moves: p50 ${at(0.5)} ms, p95 ${at(0.95)} ms, p99 ${at(0.99)} ms, most ${at(1)} ms`,
);
const told = (tasks) =>
  `${tasks.filter((t) => t > 100).length} over 100 ms, longest ${Math.max(0, ...tasks).toFixed(0)} ms`;
console.log(`while dragging: ${told(long)}`);
console.log(`stages, typing, scrolling: ${told(other)}`);
