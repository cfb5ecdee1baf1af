// How the handoff holds up with 40 scales and 2,000 own tokens: node measure-handoff.mjs ADDRESS
import { chromium } from "@playwright/test";
import { CHROMIUM_ARGS } from "./chromium.mjs";
import { makeLarge, post, watched } from "./large.mjs";

const address = process.argv[2];
const { spec, made, remove } = await makeLarge(address);
const targets = await (await fetch(`${address}/api/targets`)).json();
const times = [];
for (const { id } of targets) {
  // A number that changes keeps any memory of earlier answers out of it.
  const at = performance.now();
  const answer = await post(address, "/api/export", {
    spec,
    target: id,
    options: {},
    revision: times.length,
  });
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
const { page, long } = await watched(browser);
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
await remove();
