import { existsSync, mkdirSync, readFileSync, renameSync, writeFileSync } from "node:fs";
import type { Page } from "@playwright/test";
import { serveProject } from "../project/server.mjs";
import { expect, open, saved, savedSpec, test } from "./rhodon";

const FOLDER = process.env.RHODON_FOLDER ?? "";

/** A document on disk, in the place that it has. */
const fileOf = (slug: string) => `${FOLDER}/${slug}/${slug}.rhodon.json`;

/** Puts a theme's document into a folder of its own, as a project has it, and waits for the tie. */
async function tied(page: Page, slug: string, spec: object): Promise<string> {
  mkdirSync(`${FOLDER}/${slug}`);
  put(slug, { ...spec, pack: ["css"] });
  await open(page, slug, "stave");
  const mark = page.getByRole("button", { name: /^Folder / });
  // Nobody knows which of them is newer: what the file says is taken.
  await expect(mark).toContainText("both changed", { timeout: 15_000 });
  await mark.click();
  await page.getByRole("button", { name: "Take the file’s" }).click();
  await expect(mark).toContainText("in step");
  return `${FOLDER}/${slug}/theme.css`;
}

/** As an editor does: another file in its place. */
function put(slug: string, spec: object) {
  writeFileSync(`${fileOf(slug)}.part`, JSON.stringify(spec, null, 2));
  renameSync(`${fileOf(slug)}.part`, fileOf(slug));
}

test("a revision writes the folder, and the screens follow a document that changed there", async ({
  page,
  slug,
  request,
}) => {
  const sheet = await tied(page, slug, await savedSpec(request, slug));
  await saved(page, 2);
  expect(readFileSync(sheet, "utf8")).toContain("--petrol-600: #0f5c7a");
  await page.getByRole("link", { name: /^Brand/ }).click();
  const code = page.getByRole("textbox", { name: "Colour", exact: true });
  await code.fill("#b3123a");
  await code.press("Enter");
  await saved(page, 3);
  await expect.poll(() => readFileSync(sheet, "utf8")).toContain("#b3123a");
  expect(JSON.parse(readFileSync(fileOf(slug), "utf8")).brand[0].color).toBe("#b3123a");

  const theirs = JSON.parse(readFileSync(fileOf(slug), "utf8"));
  theirs.brand[0].color = "#2f6b3a";
  put(slug, theirs);
  await saved(page, 4);
  await expect(code).toHaveValue("#2f6b3a");
  await expect(page.getByText(`from ${slug}/${slug}.rhodon.json`)).toBeVisible();
});

test("what cannot be used is told in words, and the theme stays", async ({ page, slug, request }) => {
  await tied(page, slug, await savedSpec(request, slug));
  writeFileSync(fileOf(slug), "{ nothing");
  const mark = page.getByRole("button", { name: /^Folder / });
  await expect(mark).toContainText("not usable", { timeout: 15_000 });
  // It stands open since the theme was tied.
  await expect(page.getByRole("dialog").getByRole("alert")).toContainText(`${slug}.rhodon.json`);
  await page.getByRole("button", { name: "Write the theme’s" }).click();
  await expect(mark).toContainText("in step");
  expect(JSON.parse(readFileSync(fileOf(slug), "utf8")).name).toContain("Test");
  // The button that was pressed is gone: the keys are at what is offered now.
  await expect(page.getByRole("button", { name: "Cut", exact: true })).toBeFocused();
  await page.keyboard.press("Enter");
  await expect(mark).toContainText("cut");
  expect(existsSync(fileOf(slug))).toBe(true);
});

test("a step that is dragged changes the project's own page", async ({ page, slug, request, context }) => {
  const sheet = await tied(page, slug, await savedSpec(request, slug));
  const project = await serveProject(sheet.replace("/theme.css", ""));
  try {
    const board = await context.newPage();
    await board.goto(project.address);
    const heading = board.getByRole("heading", { name: "Sailings today" });
    const before = await heading.evaluate((node) => getComputedStyle(node).color);
    await page.bringToFront();
    const follow = page.getByRole("switch", { name: "files follow a change before it is saved" });
    await expect(async () => {
      if (!(await follow.isVisible())) await page.getByRole("button", { name: /^Folder / }).click();
      if (!(await follow.isChecked())) await follow.click({ force: true, timeout: 1000 });
      await expect(follow).toBeChecked({ timeout: 2000 });
    }).toPass();
    await page.keyboard.press("Escape");
    const step = page.getByRole("slider", { name: "Petrol 300" }).first();
    const box = await step.boundingBox();
    if (!box) throw new Error("the step is not drawn");
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
    await page.mouse.down();
    await page.mouse.move(box.x + box.width / 2 - 12, box.y + box.height / 2, { steps: 4 });
    await expect.poll(() => heading.evaluate((node) => getComputedStyle(node).color)).not.toBe(before);
    // Nothing is saved yet; left where it was, the files are as they were.
    await saved(page, 2);
    await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2, { steps: 4 });
    await page.mouse.up();
    await expect.poll(() => heading.evaluate((node) => getComputedStyle(node).color)).toBe(before);
  } finally {
    project.stop();
  }
});
