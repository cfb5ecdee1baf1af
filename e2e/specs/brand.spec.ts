import { mkdirSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import { AxeBuilder } from "@axe-core/playwright";
import type { Page } from "@playwright/test";
import { brandRow, buttonColor, expect, half, open, openSource, saved, savedSpec, test } from "./rhodon";

const CREST = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 60"><style>.sea{fill:#0f5c7a}</style>
  <rect class="sea" width="60" height="60"/><rect x="60" width="40" height="30" fill="#8a9a2b"/>
  <g color="#7a4b8f"><rect x="60" y="30" width="40" height="30" fill="currentColor"/></g></svg>`;

/** Chooses a file in the source Picture. */
async function choose(page: Page, file: string) {
  const chooser = page.waitForEvent("filechooser");
  await page.getByRole("button", { name: "Choose a picture …" }).click();
  await (await chooser).setFiles(file);
}

/** Codes of the colours that lie in the tray. */
const held = (page: Page) => page.getByRole("region", { name: "Tray" }).getByRole("listitem").locator("code");

test("a colour is tuned by drag, by keys and by number, and the proof follows", async ({
  page,
  slug,
  request,
}) => {
  await open(page, slug, "brand");
  const before = await buttonColor(page, "light");
  const lightness = page.getByRole("slider", { name: "L*" });
  await expect(lightness).toHaveAttribute("aria-valuenow", "36.3");
  const box = await lightness.boundingBox();
  if (!box) throw new Error("no strip");
  await page.mouse.move(box.x + box.width * 0.363, box.y + 10);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width * 0.3, box.y + 10, { steps: 4 });
  await expect.poll(() => buttonColor(page, "light")).not.toBe(before);
  // Nothing is saved while it moves.
  await expect(page.getByText(/^rev 1 /)).toBeVisible();
  await page.mouse.up();
  await saved(page, 2);
  const hue = page.getByRole("slider", { name: "hue" });
  const at = Number(await hue.getAttribute("aria-valuenow"));
  await hue.press("ArrowRight");
  await hue.press("ArrowRight");
  await expect(hue).toHaveAttribute("aria-valuenow", String(at + 2));
  // Both keys are one change.
  await saved(page, 3);
  const strength = page.getByRole("textbox", { name: "strength as a number" });
  await strength.fill("7");
  await strength.press("Enter");
  await expect(page.getByText("expected 0 to 0.33")).toBeVisible();
  await strength.fill("0.02");
  await strength.press("Enter");
  await saved(page, 4);
  const { brand } = await savedSpec(request, slug);
  expect(brand[0].color).toMatch(/^#[0-9a-f]{6}$/);
  await expect(page.getByRole("textbox", { name: "Colour", exact: true })).toHaveValue(brand[0].color);
});

test("who plays which part is changed in one move each", async ({ page, slug, request }) => {
  await open(page, slug, "brand");
  await page.getByRole("textbox", { name: "Add colours" }).fill("Moss: #5d7052; Slate: #5d6b73");
  await page.getByRole("button", { name: "Add 2 colours" }).click();
  await saved(page, 2);
  const intents = page.getByRole("region", { name: "Intents" });
  await intents.getByRole("button", { name: /^danger/ }).click();
  const danger = page.getByRole("dialog", { name: /^danger/ });
  await danger.getByRole("textbox", { name: "Another colour" }).fill("#b3123");
  await danger.getByRole("textbox", { name: "Another colour" }).press("Enter");
  await expect(danger.getByText(/expected/)).toBeVisible();
  await danger.getByRole("textbox", { name: "Another colour" }).fill("#b3123a");
  await danger.getByRole("textbox", { name: "Another colour" }).press("Enter");
  await saved(page, 3);
  await expect(intents.getByRole("button", { name: /^danger.* set$/ })).toBeVisible();
  // The third colour is primary, by drag.
  await brandRow(page)
    .getByRole("button", { name: /^Moss/ })
    .dragTo(intents.getByRole("button", { name: /^primary/ }));
  await saved(page, 4);
  await intents.getByRole("button", { name: /^neutral/ }).click();
  await page
    .getByRole("dialog", { name: /^neutral/ })
    .getByRole("button", { name: "Slate" })
    .click();
  await saved(page, 5);
  const { intents: set } = await savedSpec(request, slug);
  expect(set).toEqual({
    danger: { color: "#b3123a" },
    neutral: { scale: "slate" },
    primary: { scale: "moss" },
  });
  await intents.getByRole("button", { name: /^danger/ }).click();
  await danger.getByRole("button", { name: "Give back to derived" }).click();
  await saved(page, 6);
  await expect(intents.getByRole("button", { name: /^danger.* derived$/ })).toBeVisible();
});

test("an intent of one's own is added, renamed, and removed with what hangs on it told", async ({
  page,
  slug,
  request,
}) => {
  await open(page, slug, "brand");
  const intents = page.getByRole("region", { name: "Intents" });
  await intents.getByRole("button", { name: "+ intent" }).click();
  await page.getByRole("textbox", { name: "Name of the intent" }).fill("danger");
  await page.getByRole("button", { name: "Add intent" }).click();
  await expect(page.getByText("there is an intent danger already")).toBeVisible();
  await page.getByRole("textbox", { name: "Name of the intent" }).fill("boarding");
  await page.getByRole("button", { name: "Add intent" }).click();
  await saved(page, 2);
  const spec = await savedSpec(request, slug);
  spec.roles = { "boarding.fill": { light: "#445500" } };
  await request.put(`/api/themes/${slug}`, {
    headers: { "If-Match": '"2"' },
    data: { spec, label: "a role" },
  });
  await saved(page, 3);
  await intents.getByRole("button", { name: /^boarding/ }).click();
  const name = page
    .getByRole("dialog", { name: /^boarding/ })
    .getByRole("textbox", { name: "Name of the intent" });
  await name.fill("petrol");
  await name.press("Enter");
  await expect(page.getByText("the name petrol is taken: expected another")).toBeVisible();
  await name.fill("at-the-gate");
  await name.press("Enter");
  await saved(page, 4);
  expect((await savedSpec(request, slug)).roles).toEqual({ "at-the-gate.fill": { light: "#445500" } });
  const place = intents.getByRole("button", { name: /^at-the-gate/ });
  if ((await place.getAttribute("aria-expanded")) !== "true") await place.click();
  await page.getByRole("button", { name: "Remove at-the-gate" }).click();
  const dialog = page.getByRole("dialog", { name: "Remove at-the-gate?" });
  await expect(dialog).toContainText("the role at-the-gate.fill becomes primary.fill");
  await dialog.getByRole("button", { name: "Remove at-the-gate" }).click();
  await saved(page, 5);
  expect((await savedSpec(request, slug)).intents).toBeUndefined();
});

test("a picture tells its colours, its spots are moved, and the tray outlives a reload", async ({
  page,
  slug,
  request,
}, info) => {
  const file = info.outputPath("crest.svg");
  writeFileSync(file, CREST);
  await open(page, slug, "brand");
  await openSource(page, "picture");
  await choose(page, file);
  await expect(held(page)).toHaveText(["#0f5c7a", "#8a9a2b", "#7a4b8f"]);
  await expect(page.getByRole("region", { name: "Tray" })).toContainText("is Petrol");
  await page.reload();
  await expect(held(page)).toHaveText(["#0f5c7a", "#8a9a2b", "#7a4b8f"]);
  // A spot that is still a candidate takes its candidate along.
  const spot = page.getByRole("button", { name: /^Spot 2/ });
  await spot.press("Shift+ArrowDown");
  for (let i = 0; i < 12; i++) await spot.press("Shift+ArrowDown");
  await expect(held(page).nth(1)).toHaveText("#7a4b8f");
  // One that was taken moves its brand colour, once it has arrived.
  await page.getByRole("button", { name: /^Take .* #0f5c7a/ }).click();
  await saved(page, 2);
  const taken = page.getByRole("button", { name: /^Spot 1/ });
  const ground = page.getByRole("img", { name: "crest.svg" });
  await ground.evaluate((node) => node.scrollIntoView({ block: "center" }));
  const [from, area] = [await taken.boundingBox(), await ground.boundingBox()];
  if (!from || !area) throw new Error("no picture");
  await page.mouse.move(from.x + 12, from.y + 12);
  await page.mouse.down();
  await page.mouse.move(area.x + area.width * 0.8, area.y + area.height * 0.25, { steps: 5 });
  await page.mouse.up();
  await saved(page, 3);
  const { brand } = await savedSpec(request, slug);
  expect(brand[2]).toMatchObject({ color: "#8a9a2b", from: { kind: "picture", name: "crest.svg" } });
  expect(brand[2].from.x).toBeGreaterThan(0.6);
  // By keys a spot is added in the middle.
  const before = await held(page).count();
  await page.getByRole("button", { name: "New spot" }).press("Enter");
  await expect(held(page)).toHaveCount(before + 1);
  // A lean looks again.
  await page.getByRole("region", { name: "Picture" }).getByText("darker").click();
  await expect(held(page).first()).toHaveText("#0f5c7a");
  await page.getByRole("region", { name: "Tray" }).getByRole("button", { name: "Empty" }).click();
  await expect(page.getByRole("region", { name: "Tray" })).toBeHidden();
});

/** The crest as it hovers over the window. */
const carried = (page: Page) =>
  page.evaluateHandle((svg) => {
    const transfer = new DataTransfer();
    transfer.items.add(new File([svg], "harbour-crest.svg", { type: "image/svg+xml" }));
    return transfer;
  }, CREST);

test("a logo that is let go before the window could say so is taken all the same", async ({ page, slug }) => {
  await open(page, slug, "stave");
  await page.dispatchEvent("body", "drop", { dataTransfer: await carried(page) });
  await expect(page.getByRole("dialog", { name: "Colours of a picture" })).toBeVisible();
});

test("a logo dropped on the window becomes a theme", async ({ page, slug }) => {
  await open(page, slug, "stave");
  const transfer = await carried(page);
  await page.dispatchEvent("body", "dragenter", { dataTransfer: transfer });
  const zone = page.locator(".mantine-Dropzone-root");
  await zone.dispatchEvent("drop", { dataTransfer: transfer });
  const dialog = page.getByRole("dialog", { name: "Colours of a picture" });
  await expect(
    dialog.getByRole("list", { name: "Colours of the picture" }).getByRole("listitem"),
  ).toHaveCount(3);
  await expect(dialog.getByRole("textbox", { name: "Name of the theme" })).toHaveValue("Harbour crest");
  await expect(dialog.getByRole("button", { name: "New theme" })).toBeFocused();
  const second = dialog.getByRole("listitem").nth(1);
  const ticks = dialog.getByRole("checkbox");
  // What is ticked first is the primary colour: one that is left out and taken again comes last.
  await ticks.first().press("Space");
  await expect(second).toContainText("primary");
  await ticks.nth(1).press("Space");
  await ticks.nth(2).press("Space");
  await expect(dialog.getByRole("button", { name: "New theme" })).toBeDisabled();
  await ticks.first().press("Space");
  await ticks.nth(1).press("Space");
  await expect(dialog.getByRole("listitem").first()).toContainText("primary");
  await ticks.nth(2).press("Space");
  await dialog.getByRole("button", { name: "New theme" }).click();
  await expect(page).toHaveURL(/\/themes\/harbour-crest.*\/brand\?source=picture/);
  await expect(page.getByRole("button", { name: /^Spot 3/ })).toBeVisible();
  await expect(brandRow(page).getByRole("listitem")).toHaveCount(4);
  expect(await buttonColor(page, "light")).toBe("rgb(15, 92, 122)");
});

test("a logo on paper does not make paper the primary colour, and the name that was typed stays", async ({
  page,
  slug,
}) => {
  await open(page, slug, "stave");
  await page.keyboard.press("Control+k");
  await page.keyboard.type("new theme");
  await page.keyboard.press("Enter");
  const dialog = page.getByRole("dialog", { name: "New theme" });
  await dialog.getByRole("textbox", { name: "Name" }).fill("Tern on paper");
  const choosing = page.waitForEvent("filechooser");
  await dialog.getByRole("button", { name: "Choose files …" }).click();
  const paper = CREST.replace(/<svg[^>]*>/, '$&<rect width="100%" height="100%" fill="#fff"/>');
  await (await choosing).setFiles({
    name: "tern.svg",
    mimeType: "image/svg+xml",
    buffer: Buffer.from(paper),
  });
  const colors = dialog.getByRole("list", { name: "Colours of the picture" });
  await expect(colors.getByRole("checkbox", { name: /^White/ })).not.toBeChecked();
  await expect(colors.getByRole("listitem").filter({ hasText: "primary" })).not.toContainText("White");
  await expect(dialog.getByRole("textbox", { name: "Name of the theme" })).toHaveValue("Tern on paper");
  // A key of a stage does not lead away from what is being ticked.
  await colors.getByRole("checkbox").first().press("3");
  await expect(page).toHaveURL(/\/stave/);
  await expect(dialog).toBeVisible();
});

test("what is no picture is told in words, and nothing is lost", async ({ page, slug }, info) => {
  await open(page, slug, "brand");
  await openSource(page, "picture");
  const put = async (name: string, bytes: string | Buffer) => {
    const file = info.outputPath(name);
    writeFileSync(file, bytes);
    await choose(page, file);
  };
  await put("crest.svg", CREST);
  await expect(held(page)).toHaveCount(3);
  await put("list.png", "name,code\nPetrol,#0f5c7a\n");
  const alert = page.getByRole("alert").filter({ hasText: "list.png" });
  await expect(alert).toHaveText(
    "list.png: no picture that is read here: expected PNG, JPEG, WebP, GIF or SVG",
  );
  await put("large.png", Buffer.alloc(26_000_000));
  await expect(page.getByRole("alert").filter({ hasText: "large.png" })).toHaveText(
    "large.png: a file of 26 MB: expected at most 25 MB",
  );
  await put("cut.svg", CREST.slice(0, 200));
  await expect(page.getByRole("alert").filter({ hasText: "cut.svg: a damaged SVG" })).toBeVisible();
  await expect(held(page)).toHaveCount(3);
});

test("every source is found by the words that people have for it", async ({ page, slug }) => {
  await open(page, slug, "stave");
  for (const [words, source] of [
    ["logo", "picture"],
    ["folder", "files"],
    ["triad", "companions"],
    ["font", "type and shape"],
  ] as const) {
    await page.keyboard.press("Control+k");
    await page.getByRole("textbox", { name: "Find anything" }).fill(words);
    await page.getByText(`Brand: ${source}`).click();
    const sources = page.getByRole("navigation", { name: "Sources" });
    await expect(sources.getByRole("button", { name: source, exact: true })).toHaveAttribute(
      "aria-pressed",
      "true",
    );
  }
});

test("one, five and forty colours are all in sight, and reached by keys", async ({ page, request }) => {
  const brand = Array.from({ length: 40 }, (_, i) => ({
    name: `Colour ${i + 1}`,
    slug: `colour-${i + 1}`,
    color: `hsl(${i * 9} 60% 40%)`,
  }));
  const spec = { format: 1, name: `Forty in a row ${Date.now()}`, brand };
  const { slug } = await (await request.post("/api/themes", { data: { spec } })).json();
  await page.goto(`/themes/${slug}/brand`);
  await expect(half(page, "light").getByRole("heading", { name: "Sailings from Port Anlow" })).toBeVisible();
  const row = brandRow(page).getByRole("button");
  await expect(row).toHaveCount(41);
  for (const place of [0, 20, 39]) await expect(row.nth(place)).toBeInViewport();
  await row.first().click();
  await row.first().press("ArrowRight");
  await expect(page.getByRole("textbox", { name: "Name", exact: true })).toHaveValue("Colour 2");
  await row.nth(1).press("Alt+ArrowLeft");
  await saved(page, 2);
  await expect(row.first()).toHaveAttribute("title", /^Colour 2/);
});

test("the files of a project tell every colour, where it stands, and what is nearly the same", async ({
  page,
  slug,
}, info) => {
  const folder = info.outputPath("project");
  for (const [name, text] of [
    [
      "src/site.css",
      ":root { --sea-100: #e4f0f5; --sea-300: #86b9cd; --sea-500: #0f5c7a; --sea-900: #052029 }\n.a { color: #0f5c7b }",
    ],
    ["src/theme.ts", 'export const petrol = "#0f5c7a"; // "#abcdef"'],
    ["node_modules/x/y.css", ".z { color: #ff0000 }"],
    ["notes.txt", "#00ff00"],
  ] as const) {
    const file = join(folder, name);
    mkdirSync(dirname(file), { recursive: true });
    writeFileSync(file, text);
  }
  await open(page, slug, "brand");
  await openSource(page, "files");
  await page.getByLabel("Folder", { exact: true }).setInputFiles(folder);
  const files = page.getByRole("region", { name: "Files", exact: true });
  await expect(files).toContainText(
    "5 colours in 2 files · 2 nearly the same as another · 2 files passed over",
  );
  await expect(files.getByRole("list", { name: "Scales that were recognised" })).toContainText(
    "Sea, 4 steps",
  );
  const wall = files.getByRole("list", { name: "Colours in use" });
  await expect(wall.getByRole("button")).toHaveCount(5);
  await wall.getByRole("button", { name: /#0f5c7a, 2 times/ }).click();
  const places = files.getByRole("region", { name: "Places of #0f5c7a" });
  await expect(places.getByRole("listitem")).toHaveCount(2);
  await expect(places.getByRole("listitem").filter({ hasText: "theme.ts" })).toContainText(
    'src/theme.ts:1export const petrol = "#0f5c7a"',
  );
  // Drawn nearer, nothing is nearly the same any more.
  await page.getByRole("textbox", { name: "Nearly the same up to, CIEDE2000" }).fill("0");
  await expect(files).not.toContainText("nearly the same as another");
  await places.getByRole("button", { name: "Hold in the tray" }).click();
  await expect(held(page)).toHaveText(["#0f5c7a"]);
  await files.getByRole("button", { name: "hold #0f5c7a" }).click();
  // The same colour from the same place lies there once.
  await expect(held(page)).toHaveCount(1);
  await page.getByLabel("Folder", { exact: true }).setInputFiles(join(folder, "node_modules"));
  await expect(page.getByRole("alert")).toContainText("none of 1 files is a text in which colours are found");
});

test("faces and corners of a project's sheet become the theme's, one by one or all at once", async ({
  page,
  slug,
  request,
}) => {
  await open(page, slug, "brand");
  await openSource(page, "files");
  const text = `@import url("https://faces.example/css2?family=Vess");
    body { font: 17px/1.5 "Vess", sans-serif; color: #0f5c7a; background: #fffaf5 } h1 { font-family: Anlow, serif } .button { border-radius: 9px }
    @import "/own-fonts.css"; @media (prefers-color-scheme: dark) { body { color: #cfe6f0; background: #10171b } }`;
  const chooser = page.waitForEvent("filechooser");
  await page.getByRole("button", { name: "Choose files …" }).click();
  await (await chooser).setFiles({ name: "site.css", mimeType: "text/css", buffer: Buffer.from(text) });
  const inUse = page.getByRole("region", { name: "Pages, type and shape in use" });
  await inUse.getByRole("button", { name: "take headings, Anlow, serif" }).click();
  await expect(inUse.getByRole("listitem").filter({ hasText: "headings" })).toContainText("in the theme");
  const decided = async () => (await (await request.get(`/api/themes/${slug}`)).json()).spec;
  await expect.poll(async () => (await decided()).type).toEqual({ heading: ["Anlow", "serif"] });
  await inUse.getByRole("button", { name: "take all" }).click();
  await expect(inUse.getByRole("button")).toHaveCount(0);
  await expect
    .poll(async () => (await decided()).type)
    .toEqual({
      body: ["Vess", "sans-serif"],
      heading: ["Anlow", "serif"],
      import: "https://faces.example/css2?family=Vess",
      base: 17,
    });
  expect((await decided()).shape).toEqual({ radius: 9 });
  const { roles } = await decided();
  expect(roles["surface.base"]).toEqual({ light: "#fffaf5", dark: "#10171b" });
  expect(roles["text.main"]).toEqual({ light: "#0f5c7a", dark: "#cfe6f0" });
  await expect(inUse.getByText("/own-fonts.css")).toBeVisible();
});

test("a face is chosen by looking, and the proof is set in it", async ({ page, slug, request }) => {
  await open(page, slug, "brand");
  await openSource(page, "type and shape");
  const faces = page.getByRole("list", { name: "Faces" });
  await page.getByRole("combobox", { name: "Kind" }).selectOption("slab");
  await expect(faces.getByRole("button")).toHaveCount(1);
  await page.getByRole("textbox", { name: "Words to set" }).fill("Skerry Holm");
  await expect(faces.getByText("Skerry Holm")).toHaveCSS("font-family", /Roboto Slab Variable/);
  await page.getByText("headings", { exact: true }).click();
  await faces.getByRole("button").click();
  await saved(page, 2);
  expect((await savedSpec(request, slug)).type).toEqual({
    heading: ["Roboto Slab Variable", "Rockwell", "Georgia", "serif"],
  });
  const loaded = () =>
    half(page, "light")
      .locator("body")
      .evaluate(() => [...document.fonts].some((f) => f.family.includes("Slab") && f.status === "loaded"));
  await expect.poll(loaded).toBe(true);
  await expect(page.getByText("npm install @fontsource-variable/roboto-slab")).toBeVisible();
});

test("every source passes axe, in both rooms", async ({ page, slug }, info) => {
  test.slow();
  const file = info.outputPath("crest.svg");
  writeFileSync(file, CREST);
  await open(page, slug, "brand");
  await openSource(page, "picture");
  await choose(page, file);
  await expect(held(page)).toHaveCount(3);
  for (const room of ["light", "dark"]) {
    for (const source of ["type or paste", "picture", "files", "companions", "type and shape"]) {
      await openSource(page, source);
      await expect(page.getByRole("slider", { name: "L*" })).toBeVisible();
      const { violations } = await new AxeBuilder({ page })
        .exclude("iframe")
        // Figures on a strip stand on the colours that they measure.
        .exclude('[role="slider"]')
        .analyze();
      expect(
        violations.map((v) => `${room} ${source} ${v.id}: ${v.nodes.map((n) => n.html).join(" ")}`),
      ).toEqual([]);
    }
    if (room === "light") await page.getByRole("button", { name: "Dark room" }).click();
  }
});
