// Tasks by keys alone, from a theme of two colours to the file that was wanted.
import type { APIRequestContext, Page } from "@playwright/test";
import { expect, open, saved, savedSpec, test } from "./rhodon";

/** Finds something by its words, and goes there. */
async function find(page: Page, words: string) {
  await page.keyboard.press("Control+k");
  await page.keyboard.type(words);
  const dialog = page.getByRole("dialog", { name: "Find anything" });
  await expect(dialog.locator("[data-selected]")).toBeVisible();
  await page.keyboard.press("Enter");
  await expect(dialog).toBeHidden();
}

const focused = (page: Page) => page.locator("*:focus");

/** A file of a target, as a pipeline would write it. */
async function written(request: APIRequestContext, slug: string, target: string): Promise<string> {
  const spec = await savedSpec(request, slug);
  const answer = await request.post("/api/export", { data: { spec, target } });
  return (await answer.json()).files[0].text;
}

test("named intents of a framework are replaced", async ({ page, slug }) => {
  await open(page, slug, "stave");
  await find(page, "type or paste");
  await expect(focused(page)).toHaveAccessibleName("Add colours");
  await page.keyboard.insertText("success: #1f8a4c\ndanger: #c8102e;");
  await page.keyboard.press("Enter");
  await saved(page, 2);
  await expect(focused(page)).toHaveAccessibleName("Add colours");
  await find(page, "sass framework overrides");
  await expect(focused(page)).toHaveAccessibleName(/^Sass framework overrides/);
  const file = page.getByRole("region", { name: "File" }).or(page.locator("pre")).first();
  await expect(file).toContainText("$success: #1f8a4c !default");
  await expect(file).toContainText("$danger: #c8102e !default");
  const download = page.waitForEvent("download");
  for (let tabs = 0; tabs < 12; tabs++) {
    await page.keyboard.press("Tab");
    if (
      await page.getByRole("button", { name: "Download", exact: true }).evaluate((b) => b.matches(":focus"))
    )
      break;
  }
  await page.keyboard.press("Enter");
  expect((await download).suggestedFilename()).toMatch(/\.(scss|zip)$/);
});

test("a bar of another colour has its states and its gradient", async ({ page, slug, request }) => {
  await open(page, slug, "check");
  await find(page, "bar.fill");
  await expect(focused(page)).toHaveText("primary.fill");
  await page.keyboard.press("Enter");
  await page.keyboard.type("#7a1f0f");
  await page.keyboard.press("Shift+Enter");
  await saved(page, 2);
  const spec = await savedSpec(request, slug);
  expect(spec.roles["bar.fill"]).toEqual({ light: "#7a1f0f", dark: "#7a1f0f" });
  await expect(focused(page)).toHaveText("#7a1f0f");
  const sheet = await written(request, slug, "css");
  for (const state of ["hover", "selected", "gradient-end"]) {
    const codes = [...sheet.matchAll(new RegExp(`--bar-${state}: #(..)(..)(..);`, "g"))];
    expect(codes.length).toBeGreaterThan(1);
    // Shades of the red, not of the petrol that the bar had.
    for (const [, red = "", green = "", blue = ""] of codes)
      expect(Number.parseInt(red, 16)).toBeGreaterThan(
        2 * Math.max(Number.parseInt(green, 16), Number.parseInt(blue, 16)),
      );
  }
});

test("a value refers to a token that is offered by a part of its name", async ({ page, slug }) => {
  await open(page, slug, "ledger");
  await find(page, "link.rest");
  await page.keyboard.press("Enter");
  await page.keyboard.type("danger.");
  const field = page.getByRole("combobox", { name: "link.rest, light" });
  const offers = field.locator("xpath=..").locator("option");
  await expect(offers.first()).toHaveAttribute("value", /^\{danger\./);
  expect(await offers.count()).toBeGreaterThan(5);
  await page.keyboard.press("Escape");
  await expect(
    page.getByRole("row", { name: "link.rest" }).getByRole("button", { name: "petrol.600" }),
  ).toBeFocused();
});

test("a token of one's own is typed into the theme of a component framework", async ({
  page,
  slug,
  request,
}) => {
  await open(page, slug, "stave");
  await find(page, "new token");
  await expect(focused(page)).toHaveAccessibleName("Path of the new token");
  await page.keyboard.type("map.depth");
  await page.keyboard.press("Tab");
  await page.keyboard.type("#0b3d5c");
  await page.keyboard.press("Tab");
  await page.keyboard.type("#9fd0e8");
  await page.keyboard.press("Enter");
  await saved(page, 2);
  const sheet = await written(request, slug, "react-theme");
  expect(sheet).toContain("#0b3d5c");
  expect(sheet).toContain("#9fd0e8");
});

test("the finder leads to each control of a stage that people look for by itself", async ({ page, slug }) => {
  await open(page, slug, "stave");
  for (const [words, name] of [
    ["opacity", "Alpha steps, %"],
    ["own list", "Step names"],
    ["aligned", "Method"],
    ["stave in exports", "in exports"],
    ["p3", "wide gamut"],
    ["stave runs to", "Runs to"],
    ["stave step 0", "step 0"],
    ["new intent", "What to add"],
    ["ledger columns", "Columns"],
  ] as const) {
    await find(page, words);
    await expect(focused(page), words).toHaveAccessibleName(name);
  }
});

test("variables with opacities are pruned to what is used, and taken back", async ({
  page,
  slug,
  request,
}) => {
  await open(page, slug, "stave");
  await find(page, "opacity");
  await expect(focused(page)).toHaveAccessibleName("Alpha steps, %");
  await page.keyboard.type("8 16");
  await page.keyboard.press("Enter");
  await saved(page, 2);
  await find(page, "steps that nothing uses");
  await saved(page, 3);
  const steps = (sheet: string) => new Set(sheet.match(/--petrol-\w+(?=:)/g));
  const pruned = steps(await written(request, slug, "css"));
  for (const step of ["--petrol-600", "--petrol-a8", "--petrol-a16"]) expect(pruned.has(step)).toBe(true);
  expect(pruned.size).toBeLessThan(11);
  // What was referred to by a step that went is written out, and nothing points into the void.
  const sheet = await written(request, slug, "css");
  for (const [, name] of sheet.matchAll(/var\((--[\w-]+)\)/g)) expect(sheet).toContain(`${name}:`);
  // On a ticked box of the stage a key leads on, as from everywhere else.
  await page.getByRole("checkbox", { name: "in exports" }).press("3");
  await expect(page).toHaveURL(/\/ledger/);
  await page.keyboard.press("2");
  await page.getByRole("button", { name: /^take \d+ steps back$/ }).press("Enter");
  await saved(page, 4);
  expect(steps(await written(request, slug, "css")).size).toBe(13);
});

test("what was asked for in passing gives the keys back to the stage", async ({ page, slug }) => {
  await open(page, slug, "stave");
  await find(page, "revisions");
  await expect(focused(page)).toHaveAccessibleName("Search");
  await page.keyboard.press("Escape");
  await expect(page.getByRole("main")).toBeFocused();
  // A panel gives them back to what it stood beside.
  await page.keyboard.press("1");
  const plus = page.getByRole("button", { name: "+ intent" });
  await plus.focus();
  await page.keyboard.press("Enter");
  await expect(focused(page)).toHaveAccessibleName("Name of the intent");
  await page.keyboard.press("Escape");
  await expect(plus).toBeFocused();
  const menu = page.getByRole("button", { name: "▾" });
  await menu.focus();
  await page.keyboard.press("Enter");
  await expect(page.getByRole("menu")).toBeVisible();
  await page.keyboard.press("Escape");
  await expect(menu).toBeFocused();
});

test("the finder leads to a scale, a source and a target, and the keys go along", async ({ page, slug }) => {
  await open(page, slug, "stave");
  await find(page, "scale buoy");
  await expect(focused(page)).toHaveAccessibleName(/^Buoy/);
  await find(page, "companions");
  await expect(focused(page)).toHaveAccessibleName("Companions of");
  await find(page, "web font");
  await expect(page).toHaveURL(/source=faces/);
  const faces = page.getByRole("list", { name: "Faces" }).getByRole("button");
  await faces.first().focus();
  await page.keyboard.press("ArrowDown");
  await page.keyboard.press("ArrowRight");
  const box = (at: number) => faces.nth(at).evaluate((one) => one.getBoundingClientRect().toJSON());
  const [first, at] = [
    await box(0),
    await focused(page).evaluate((one) => one.getBoundingClientRect().toJSON()),
  ];
  expect(at.top).toBeGreaterThan(first.top);
  expect(at.left).toBeGreaterThan(first.left);
  await page.keyboard.press("ArrowUp");
  await page.keyboard.press("ArrowLeft");
  await expect(faces.first()).toBeFocused();
});

test("a utility configuration replaces the stock colours", async ({ page, slug, request }) => {
  await open(page, slug, "brand");
  await find(page, "utility script");
  await expect(focused(page)).toHaveAccessibleName(/^Utility config, script/);
  const to = async (name: string) => {
    for (let tabs = 0; tabs < 12; tabs++) {
      await page.keyboard.press("Tab");
      if ((await focused(page).getAttribute("aria-label")) === name) return;
      if (await page.getByLabel(name, { exact: true }).evaluate((field) => field.matches(":focus"))) return;
    }
    throw new Error(`${name} is not among the next fields`);
  };
  await to("stock");
  await page.keyboard.press("ArrowDown");
  await saved(page, 2);
  await to("keep");
  await page.keyboard.type("zinc, transparent");
  await page.keyboard.press("Enter");
  await saved(page, 3);
  expect((await savedSpec(request, slug)).handoff["utility-js"]).toEqual({
    stock: "replace",
    keep: "zinc, transparent",
  });
  const spec = await savedSpec(request, slug);
  const answer = await request.post("/api/export", { data: { spec, target: "utility-js" } });
  const text: string = (await answer.json()).files[0].text;
  expect(text).toContain('zinc: colors["zinc"]');
});

test("a key is tried on the sheet of keys, and reaches nothing behind a question", async ({ page, slug }) => {
  await open(page, slug, "stave");
  const sheet = page.getByRole("dialog", { name: "Keys" });
  await page.keyboard.press("?");
  await expect(sheet).toBeVisible();
  await page.keyboard.press("?");
  await expect(sheet).toBeHidden();
  await page.keyboard.press("?");
  await expect(sheet).toBeVisible();
  await page.keyboard.press("5");
  await expect(page).toHaveURL(/handoff/);
  await expect(sheet).toBeHidden();
  await page.keyboard.press("?");
  await expect(sheet).toBeVisible();
  await find(page, "new theme");
  const question = page.getByRole("dialog", { name: "New theme" });
  await question.getByRole("button", { name: "Draw a start" }).focus();
  await page.keyboard.press("1");
  await page.keyboard.press("Control+k");
  await expect(question).toBeVisible();
  await expect(page).toHaveURL(/handoff/);
});
