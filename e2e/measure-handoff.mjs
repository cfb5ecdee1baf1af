// How the handoff holds up with 40 scales and 2,000 own tokens: node measure-handoff.mjs ADDRESS
import { chromium } from "@playwright/test";
import { CHROMIUM_ARGS } from "./chromium.mjs";

const address = process.argv[2];
const code = (i) => `#${((i * 7919 + 0x123456) % 0x1000000).toString(16).padStart(6, "0")}`;
const brand = Array.from({ length: 40 }, (_, i) => ({
  name: `Brand ${i}`,
  slug: `brand-${i}`,
  color: code(i * 131),
}));
const own = (i) =>
  [
    { value: code(i) },
    { light: "#123456", dark: "#abcdef" },
    { value: `{brand-${i % 40}.500}` },
    { kind: "dimension", value: `${i % 64}px` },
  ][i % 4];
const tokens = Object.fromEntries(
  Array.from({ length: 2000 }, (_, i) => [`part-${i % 50}.own-${i}`, own(i)]),
);
const spec = { format: 1, name: `Large ${Date.now()}`, brand, tokens };

const post = (path, body) =>
  fetch(address + path, {
    method: "POST",
    headers: { "content-type": "application/json" },
    body: JSON.stringify(body),
  });
const made = await (await post("/api/themes", { spec })).json();
const targets = await (await fetch(`${address}/api/targets`)).json();
const times = [];
for (const { id } of targets) {
  // A number that changes keeps any memory of earlier answers out of it.
  const at = performance.now();
  const answer = await post("/api/export", { spec, target: id, options: {}, revision: times.length });
  await answer.arrayBuffer();
  times.push([performance.now() - at, id]);
}
times.sort((a, b) => b[0] - a[0]);
console.log(
  "export route, slowest:",
  times
    .slice(0, 5)
    .map(([ms, id]) => `${id} ${ms.toFixed(0)} ms`)
    .join(", "),
);

const browser = await chromium.launch({ executablePath: "/usr/bin/chromium", args: CHROMIUM_ARGS });
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
await page.addInitScript(() => {
  window.long = [];
  new PerformanceObserver((list) =>
    window.long.push(...list.getEntries().map((e) => Math.round(e.duration))),
  ).observe({
    type: "longtask",
    buffered: true,
  });
});
const long = async (what) => {
  await page.waitForTimeout(1200);
  const found = await page.evaluate(() => window.long.splice(0));
  console.log(`${what}: ${found.length} long tasks${found.length > 0 ? `, ${found.join(", ")} ms` : ""}`);
};
await page.goto(`${address}/themes/${made.slug}/handoff`);
await page.locator("pre [data-line]").first().waitFor();
await long("opening the stage");
for (const id of ["sass", "tokens", "kotlin", "apple", "sheet", "css"]) {
  const name = targets.find((t) => t.id === id).name;
  await page
    .getByRole("navigation", { name: "Targets" })
    .getByRole("button", { name: new RegExp(`^${name}`) })
    .click();
  await page.getByRole("heading", { name, exact: true }).waitFor();
  await long(`showing ${id}`);
}
await page.locator("pre").evaluate((pre) => pre.scrollTo({ top: pre.scrollHeight, behavior: "smooth" }));
await long("scrolling to the end");
await page.getByLabel("Find in the file").fill("own-1999");
await long("finding a token");
await page.getByLabel("mode", { exact: true }).selectOption("class");
await long("changing an option");
await browser.close();
await fetch(`${address}/api/themes/${made.slug}`, {
  method: "DELETE",
  headers: { "if-match": `"${made.revision}"` },
});
