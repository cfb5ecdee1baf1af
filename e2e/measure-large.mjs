// How every stage holds up with 40 scales and 2,000 own tokens: node measure-large.mjs ADDRESS
import { chromium } from "@playwright/test";
import { CHROMIUM_ARGS } from "./chromium.mjs";
import { makeLarge, watched } from "./large.mjs";

const address = process.argv[2];
const { made, remove } = await makeLarge(address);
const browser = await chromium.launch({ executablePath: "/usr/bin/chromium", args: CHROMIUM_ARGS });
const { page, long, forget, told } = await watched(browser);
const wheel = async (over, times = 20) => {
  await over.hover();
  await forget();
  for (let i = 0; i < times; i++) await page.mouse.wheel(0, 240);
};

await page.goto(`${address}/themes/${made.slug}/brand`);
await page.getByRole("heading", { name: "Brand", exact: true }).or(page.getByRole("main")).first().waitFor();
await page.waitForTimeout(1500);
await long("a fresh load");
for (const [key, name] of [
  ["2", "stave"],
  ["3", "ledger"],
  ["4", "check"],
  ["5", "handoff"],
  ["1", "brand"],
  ["2", "stave again"],
]) {
  await page.keyboard.press(key);
  await long(`to ${name}`);
}
await wheel(page.getByRole("main"));
await long("stave scrolled");
const step = page.getByRole("slider", { name: /^Brand \d+ 300, lightness$/ }).first();
await step.scrollIntoViewIfNeeded();
const box = await step.boundingBox();
await forget();
await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
await page.mouse.down();
for (let i = 0; i < 12; i++) {
  await page.mouse.move(box.x + 8 - i, box.y + box.height / 2);
  await page.waitForTimeout(80);
}
await long("a step dragged");
await page.mouse.up();
await long("a step let go");
await page.keyboard.press("Control+z");
await long("undone");

await page.keyboard.press("3");
await long("to ledger again");
await wheel(page.getByRole("region", { name: "Tokens" }), 60);
await long("ledger scrolled");
const search = page.getByRole("textbox", { name: "Search tokens" });
await search.focus();
await forget();
await page.keyboard.type("own-19", { delay: 60 });
await long("ledger searched");
for (let i = 0; i < 6; i++) await page.keyboard.press("Backspace");
await long("ledger whole again");

await page.keyboard.press("Escape");
await page.keyboard.press("Control+k");
await long("finder opened");
await page.keyboard.type("brand-7.500", { delay: 60 });
await long("letters in the finder");
await page.keyboard.press("Enter");
await long("to a token");

await page.keyboard.press("4");
await long("to check again");
await wheel(page.getByRole("main"), 30);
await long("check scrolled");
await browser.close();
await remove();
console.log(`${told.below} of ${told.all} below 50 ms, the most ${told.most} ms`);
