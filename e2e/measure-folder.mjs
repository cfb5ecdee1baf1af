// Measures how soon documents that change on disk all at once are revisions, and how soon a screen shows it, with
// Git's own checkout: node measure-folder.mjs ADDRESS FOLDER [DOCUMENTS]
// ADDRESS is a server that was started with --workspace FOLDER, an empty folder.
import { execFileSync } from "node:child_process";
import { writeFileSync } from "node:fs";
import { join } from "node:path";
import { chromium } from "@playwright/test";
import { CHROMIUM_ARGS } from "./chromium.mjs";

const [address, folder, documents = "50"] = process.argv.slice(2);
const names = Array.from({ length: Number(documents) }, (_, i) => `Berth ${i + 1}`);
const slug = (name) => name.toLowerCase().replace(" ", "-");
const git = (...args) =>
  execFileSync("git", ["-C", folder, "-c", "user.name=Tern", "-c", "user.email=tern@example.org", ...args]);

function write(color) {
  for (const name of names) {
    const brand = [{ name: "Petrol", slug: "petrol", color }];
    const document = { format: 1, name, brand };
    writeFileSync(join(folder, `${slug(name)}.rhodon.json`), `${JSON.stringify(document, null, 2)}\n`);
  }
}

/** Waits until every theme has a colour, and tells after how many ms. */
async function until(color, from) {
  for (;;) {
    const themes = await (await fetch(`${address}/api/themes`)).json();
    const there = names.filter((name) => themes.find((t) => t.name === name)?.colors[0] === color);
    if (there.length === names.length) return Math.round(performance.now() - from);
    if (performance.now() - from > 60_000)
      throw new Error(`${there.length} of ${names.length} have ${color}`);
    await new Promise((resolve) => setTimeout(resolve, 10));
  }
}

git("init", "--quiet", "--initial-branch", "main");
const began = performance.now();
write("#0f5c7a");
git("add", ".");
git("commit", "--quiet", "-m", "Petrol");
console.log(`${names.length} documents became themes after ${await until("#0f5c7a", began)} ms`);
git("checkout", "--quiet", "-b", "other");
write("#8a3b12");
git("commit", "--quiet", "-a", "-m", "Rust");
await until("#8a3b12", performance.now());

const browser = await chromium.launch({ executablePath: "/usr/bin/chromium", args: CHROMIUM_ARGS });
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
await page.goto(`${address}/themes/${slug(names.at(-1))}/brand`);
const field = page.getByRole("textbox", { name: "Colour", exact: true });
await field.waitFor();
for (let turn = 0; turn < 4; turn++) {
  const [branch, color] = turn % 2 === 0 ? ["main", "#0f5c7a"] : ["other", "#8a3b12"];
  const from = performance.now();
  git("checkout", "--quiet", branch);
  const seen = page
    .waitForFunction(
      (wanted) => [...document.querySelectorAll("input")].some((i) => i.value === wanted),
      color,
    )
    .then(() => Math.round(performance.now() - from));
  const all = await until(color, from);
  console.log(
    `checked out ${branch}: every document a revision after ${all} ms, on the screen after ${await seen} ms`,
  );
}
await browser.close();
