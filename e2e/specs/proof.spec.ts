import { expect, half, open, saved, test } from "./rhodon";

const PAGES = {
  booking: "Book a crossing",
  roster: "Crew, morning watch",
  notice: "Winter timetable on the northern crossings",
  dashboard: "Today on the sound",
  parts: "Button",
};

test("six pages, each in both modes, kept in the address", async ({ page, slug }) => {
  await open(page, slug, "stave");
  for (const [name, heading] of Object.entries(PAGES)) {
    await page.getByRole("tab", { name, exact: true }).click();
    for (const mode of ["light", "dark"] as const) {
      await expect(half(page, mode).getByRole("heading", { name: heading })).toBeVisible();
    }
  }
  await page.reload();
  await expect(half(page, "dark").getByRole("heading", { name: "Button" })).toBeVisible();
});

test("no page paints with a colour of its own", async ({ page, slug }) => {
  await open(page, slug, "stave");
  for (const name of ["timetable", ...Object.keys(PAGES)]) {
    await page.getByRole("tab", { name, exact: true }).click();
    const sheets = await half(page, "light")
      .locator(`main[aria-label="${name}, light"]`)
      .evaluate(async () => {
        await new Promise((done) => setTimeout(done, 200));
        return [...document.styleSheets]
          .flatMap((sheet) =>
            [...sheet.cssRules]
              .filter((rule) => !(rule instanceof CSSFontFaceRule))
              .map((rule) => rule.cssText),
          )
          .join("\n");
      });
    expect(sheets.length).toBeGreaterThan(100);
    expect(sheets).not.toMatch(/#[0-9a-f]{3}|rgb\(|hsl\(|oklch\(|font-family/i);
  }
});

test("shares tell how much of the page each colour covers", async ({ page, slug }) => {
  await open(page, slug, "stave");
  await page.getByRole("button", { name: "shares", exact: true }).click();
  const shares = page.getByRole("region", { name: "Proportions" });
  await expect(shares).toContainText(/dominant \d+ %/);
  const aim = page.getByRole("spinbutton", { name: "Aim for dominant, percent" });
  await expect(aim).toHaveValue("60");
  await aim.fill("70");
  await aim.press("Enter");
  await saved(page, 2);
  await expect(page.getByText("aim: 70, 22, 8 %").or(page.getByText("aim: 70, 23, 7 %"))).toBeVisible();
  const numbers = (await shares.innerText())
    .match(/(dominant|secondary|accent) (\d+)/g)
    ?.map((t) => Number(t.split(" ")[1]));
  const sum = numbers?.reduce((a, b) => a + b, 0) ?? 0;
  expect(Math.abs(sum - 100)).toBeLessThanOrEqual(2);
});

test("another theme stands beside this one, and what differs is listed", async ({ page, slug }) => {
  await open(page, slug, "stave");
  await page.getByRole("combobox", { name: "Compare with" }).selectOption("night-crossing");
  await expect(page.getByText("beside Night Crossing")).toBeVisible();
  await page.getByRole("button", { name: /values differ/ }).click();
  const dialog = page.getByRole("dialog", { name: "What differs from Night Crossing" });
  await expect(dialog.getByRole("rowheader", { name: "primary.fill", exact: true }).first()).toBeVisible();
});

test("revisions are listed with pictures, compared and restored", async ({ page, slug }) => {
  await open(page, slug, "brand");
  const field = page.getByRole("textbox", { name: "Colour", exact: true }).first();
  await field.fill("#7a4b8f");
  await field.press("Enter");
  await saved(page, 2);
  await page.getByRole("button", { name: "Revisions", exact: true }).click();
  const drawer = page.getByRole("dialog", { name: "Revisions" });
  await expect(drawer.locator("svg rect").first()).toBeAttached();
  await drawer.getByRole("button", { name: "Compare" }).click();
  await expect(page.getByText("beside rev 1")).toBeVisible();
  await page.getByRole("button", { name: "Revisions", exact: true }).click();
  await drawer.getByRole("button", { name: "Restore" }).click();
  await saved(page, 3);
  await page.keyboard.press("Escape");
  await expect(field).toHaveValue("#0f5c7a");
});

test("a second window sees the first one's change without a reload", async ({ page, slug, context }) => {
  const second = await context.newPage();
  await open(second, slug, "brand");
  await open(page, slug, "brand");
  const field = page.getByRole("textbox", { name: "Colour", exact: true }).first();
  await field.fill("#7a4b8f");
  await field.press("Enter");
  await saved(page, 2);
  await saved(second, 2);
  await expect(second.getByRole("textbox", { name: "Colour", exact: true }).first()).toHaveValue("#7a4b8f");
});
