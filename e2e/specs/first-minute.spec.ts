import { buttonColor, expect, half, open, saved, test } from "./rhodon";

test("the demo theme opens at the root address", async ({ page }) => {
  // As on a fresh database: other tests make families of their own at the same time.
  await page.route("**/api/themes", async (route) => {
    const response = await route.fetch();
    const all: { slug: string }[] = await response.json();
    const demo = all.filter((t) => ["brindle-sound-ferries", "night-crossing"].includes(t.slug));
    await route.fulfill({ response, json: demo });
  });
  await page.goto("/");
  await expect(page).toHaveURL(/\/themes\/brindle-sound-ferries\/stave/);
  await expect(page.getByRole("slider", { name: "Petrol 600, lightness" })).toBeVisible();
  await expect(half(page, "dark").getByText("Cancelled")).toBeVisible();
});

test("a typed colour becomes a scale, a painted page and a file", async ({ page, slug }) => {
  await open(page, slug, "brand");
  const field = page.getByRole("textbox", { name: "Colour", exact: true }).first();
  await field.fill("7a4b8f");
  // At once, before anything is saved.
  await expect.poll(() => buttonColor(page, "light")).toBe("rgb(122, 75, 143)");
  await expect.poll(() => buttonColor(page, "dark")).toBe("rgb(122, 75, 143)");
  await field.press("Enter");
  await saved(page, 2);
  await expect(page.getByText("Petrol: #0f5c7a → #7a4b8f")).toBeVisible();

  await page.getByRole("link", { name: /Handoff/ }).click();
  const file = page.getByRole("region", { name: "theme.css" });
  await expect(file).toContainText("--petrol-600: #7a4b8f;");
  await expect(file).toContainText("@media (prefers-color-scheme: dark)");

  await page.reload();
  await expect(file).toContainText("--petrol-600: #7a4b8f;");
  await page.getByRole("link", { name: /Stave/ }).click();
  await expect(page.getByRole("slider", { name: "Petrol 600, lightness" })).toHaveAttribute(
    "aria-valuetext",
    /#7a4b8f, pinned/,
  );
});

test("a bad colour is refused in place and stays as typed", async ({ page, slug }) => {
  await open(page, slug, "brand");
  const field = page.getByRole("textbox", { name: "Colour", exact: true }).first();
  await field.fill("rgb(1, 2");
  await expect(page.getByText("expected 3 values in rgb(), found 2")).toBeVisible();
  await field.press("Tab");
  await expect(field).toHaveValue("rgb(1, 2");
  await expect(page.getByText("rev 1 · saved")).toBeVisible();
  expect(await buttonColor(page, "light")).toBe("rgb(15, 92, 122)");
  await field.fill("hsl(281 31% 43%)");
  await expect.poll(() => buttonColor(page, "light")).toBe("rgb(122, 76, 144)");
});

test("codes copy at a click", async ({ page, slug }) => {
  await open(page, slug, "stave");
  await page.getByRole("button", { name: "#0f5c7a" }).click();
  expect(await page.evaluate(() => navigator.clipboard.readText())).toBe("#0f5c7a");
  await page.getByRole("button", { name: "Petrol 600 change or copy" }).click();
  await page.getByRole("button", { name: "Copy --petrol-600" }).click();
  expect(await page.evaluate(() => navigator.clipboard.readText())).toBe("--petrol-600");
});

test("the proof is painted by the exported file alone", async ({ page, slug, request }) => {
  await open(page, slug, "stave");
  const theme = await (await request.get(`/api/themes/${slug}`)).json();
  for (const mode of ["light", "dark"] as const) {
    const shown = await half(page, mode)
      .locator("html")
      .evaluate((root) => {
        const style = getComputedStyle(root);
        const names = ["--surface-base", "--text-main", "--danger-tint", "--petrol-300"];
        return Object.fromEntries(names.map((name) => [name, style.getPropertyValue(name).trim()]));
      });
    const derived = await (await request.post("/api/derive", { data: { spec: theme.spec } })).json();
    for (const token of derived.tokens) {
      if (token.css in shown)
        expect(shown[token.css]).toBe((mode === "dark" && token.dark ? token.dark : token.light).value);
    }
  }
});
