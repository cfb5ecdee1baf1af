import { expect, open, saved, savedSpec, test } from "./rhodon";

test("a step is dragged along its line, saved once, undone and redone over a reload", async ({
  page,
  slug,
}) => {
  await open(page, slug, "stave");
  const step = page.getByRole("slider", { name: "Petrol 300, lightness" });
  await step.scrollIntoViewIfNeeded();
  const before = Number(await step.getAttribute("aria-valuenow"));
  const box = await step.boundingBox();
  if (!box) throw new Error("the step is not on the screen");
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  for (let i = 1; i <= 8; i++) await page.mouse.move(x - i * 3, y);
  await expect.poll(async () => Number(await step.getAttribute("aria-valuenow"))).toBeGreaterThan(before + 2);
  await expect(page.getByText("rev 1 · saved")).toBeVisible();
  await page.mouse.up();
  await saved(page, 2);
  await expect(page.getByText(/Petrol 300: lightness/)).toBeVisible();
  const after = Number(await step.getAttribute("aria-valuenow"));

  await page.reload();
  await expect(step).toHaveAttribute("aria-valuenow", String(after));
  await page.keyboard.press("Control+z");
  await saved(page, 1);
  await expect(step).toHaveAttribute("aria-valuenow", String(before));
  await page.keyboard.press("Control+Shift+z");
  await saved(page, 2);
  await expect(step).toHaveAttribute("aria-valuenow", String(after));
});

test("a step moves by keyboard, and goes back to derived", async ({ page, slug }) => {
  await open(page, slug, "stave");
  const step = page.getByRole("slider", { name: "Petrol 700, lightness" });
  const before = Number(await step.getAttribute("aria-valuenow"));
  await step.focus();
  for (let i = 0; i < 4; i++) await step.press("ArrowRight");
  await saved(page, 2);
  expect(Number(await step.getAttribute("aria-valuenow"))).toBeLessThan(before - 1);
  await page.getByRole("button", { name: "Petrol 700 change or copy" }).click();
  await page.getByRole("button", { name: "Lightness back to derived" }).click();
  await saved(page, 3);
  await expect(step).toHaveAttribute("aria-valuenow", String(before));
});

test("a pinned step holds its colour", async ({ page, slug }) => {
  await open(page, slug, "stave");
  const pinned = page.getByRole("slider", { name: "Petrol 600, lightness" });
  await expect(pinned).toHaveAttribute("aria-disabled", "true");
  await pinned.focus();
  await pinned.press("ArrowLeft");
  await page.waitForTimeout(900);
  await expect(page.getByText("rev 1 · saved")).toBeVisible();
});

test("a step takes an exact colour, and the brand's own step changes the brand", async ({
  page,
  slug,
  request,
}) => {
  await open(page, slug, "stave");
  const card = page.getByRole("button", { name: "Petrol 300 change or copy" });
  await card.press("Enter");
  const field = page.getByRole("textbox", { name: "Exact colour" });
  await field.fill("no colour");
  await field.press("Enter");
  await expect(page.getByText(/expected a CSS colour name/)).toBeVisible();
  await expect(field).toHaveValue("no colour");
  await field.fill("33aadd");
  await field.press("Enter");
  await saved(page, 2);
  expect((await savedSpec(request, slug)).scales.petrol.pins).toEqual({ "300": "#33aadd" });
  await page.keyboard.press("Escape");
  await expect(card).toBeFocused();

  await page.getByRole("button", { name: "Petrol 600 change or copy" }).click();
  const own = page.getByRole("textbox", { name: "Exact colour of Petrol" });
  await own.fill("#0a5070");
  await own.press("Enter");
  await saved(page, 3);
  const spec = await savedSpec(request, slug);
  expect(spec.brand[0].color).toBe("#0a5070");
  expect(Object.keys(spec.scales.petrol.pins)).toEqual(["300"]);
});

test("a point of the strength curve makes the scale softer, over a trace of how it was", async ({
  page,
  slug,
  request,
}) => {
  await open(page, slug, "stave");
  const point = page.getByTitle(/^400: chroma/);
  await point.scrollIntoViewIfNeeded();
  const box = await point.boundingBox();
  if (!box) throw new Error("the point is not on the screen");
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  for (let i = 1; i <= 6; i++) await page.mouse.move(x, y + i * 5);
  await expect(
    page
      .getByText("Strength")
      .locator("..")
      .getByText(/^\d+ %$/),
  ).not.toHaveText("100 %");
  await page.mouse.up();
  await saved(page, 2);
  expect((await savedSpec(request, slug)).scales.petrol.strength).toBeLessThan(1);
});

test("another line opens, and the address remembers it", async ({ page, slug }) => {
  await open(page, slug, "stave");
  await page.getByRole("button", { name: /^Danger/ }).click();
  await expect(page.getByRole("list", { name: "Steps of Danger" })).toBeVisible();
  await expect(page).toHaveURL(/scale=danger/);
  await page.reload();
  await expect(page.getByRole("list", { name: "Steps of Danger" })).toBeVisible();
});

test("method and strength change the scale", async ({ page, slug }) => {
  await open(page, slug, "stave");
  const step = page.getByRole("slider", { name: "Petrol 500, lightness" });
  await page.getByLabel("Method").selectOption("aligned");
  await saved(page, 2);
  await expect
    .poll(async () => Math.abs(Number(await step.getAttribute("aria-valuenow")) - 49.6))
    .toBeLessThan(0.3);
  const strength = page.getByRole("slider", { name: "Strength of Petrol" });
  const code = await step.getAttribute("aria-valuetext");
  await strength.focus();
  for (let i = 0; i < 12; i++) await strength.press("ArrowLeft");
  await expect.poll(() => step.getAttribute("aria-valuetext")).not.toBe(code);
});

test("scales that are chosen together move together", async ({ page, slug, request }) => {
  await open(page, slug, "stave");
  await page.getByRole("button", { name: /^Buoy/ }).click({ modifiers: ["Control"] });
  await page.getByRole("checkbox", { name: "Move Petrol together with others" }).check();
  await expect(page.getByText("Petrol, Buoy move together")).toBeVisible();
  const buoy = page.getByRole("slider", { name: "Buoy 800, lightness" });
  const petrol = page.getByRole("slider", { name: "Petrol 800, lightness" });
  const at = async (step: typeof buoy) => Number(await step.getAttribute("aria-valuenow"));
  const before = [await at(petrol), await at(buoy)];
  await petrol.focus();
  await petrol.press("Shift+ArrowRight");
  await saved(page, 2);
  await expect(page.getByRole("contentinfo")).toContainText("800 of 2 scales: lightness");
  const moved = [await at(petrol), await at(buoy)];
  for (const i of [0, 1]) expect(Math.abs((before[i] ?? 0) - 2 - (moved[i] ?? 0))).toBeLessThan(0.7);
  await page.getByRole("slider", { name: "Strength of Petrol" }).press("ArrowLeft");
  await saved(page, 3);
  const { scales } = await savedSpec(request, slug);
  expect(scales.buoy.strength).toBe(scales.petrol.strength);
  await page.getByRole("button", { name: "let go" }).click();
  await expect(page.getByText("Petrol, Buoy move together")).toBeHidden();
});
