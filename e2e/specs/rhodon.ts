import { type APIRequestContext, test as base, expect, type FrameLocator, type Page } from "@playwright/test";

export { expect };

/** A theme of its own for each test, so that tests may run side by side. */
export const test = base.extend<{ slug: string; faults: string[] }>({
  slug: async ({ request }, use, info) => {
    const name = `Test ${info.title} ${info.workerIndex} ${Date.now()}`;
    const spec = {
      format: 1,
      name,
      brand: [
        { name: "Petrol", slug: "petrol", color: "#0f5c7a" },
        { name: "Buoy", slug: "buoy", color: "#e4572e" },
      ],
    };
    const made = await request.post("/api/themes", { data: { spec } });
    expect(made.status()).toBe(201);
    await use((await made.json()).slug);
  },
  // Errors in the console are faults, wherever they come from.
  faults: [
    async ({ page }, use) => {
      const faults: string[] = [];
      page.on("pageerror", (e) => faults.push(e.message));
      page.on("console", (m) => {
        // A refused request is part of some tests and is asserted there.
        if (m.type() === "error" && !m.text().startsWith("Failed to load resource")) faults.push(m.text());
      });
      await use(faults);
      expect(faults).toEqual([]);
    },
    { auto: true },
  ],
});

export async function open(
  page: Page,
  slug: string,
  stage: "brand" | "stave" | "ledger" | "check" | "handoff",
) {
  await page.goto(`/themes/${slug}/${stage}`);
  await expect(half(page, "light").getByRole("heading", { name: "Sailings from Port Anlow" })).toBeVisible();
  await expect(page.getByText("every pair readable")).toBeVisible();
}

/** The brand colours as they stand side by side. */
export const brandRow = (page: Page) => page.getByRole("list", { name: "Brand colours" });

/** Opens a brand colour, whose name and code are then in the fields. */
export async function openBrand(page: Page, name: string) {
  await brandRow(page)
    .getByRole("button", { name: new RegExp(`^${name}`) })
    .click();
  await expect(page.getByRole("textbox", { name: "Name", exact: true })).toHaveValue(new RegExp(`^${name}`));
}

/** Opens one of the sources of colours. */
export const openSource = (page: Page, name: string) =>
  page.getByRole("navigation", { name: "Sources" }).getByRole("button", { name, exact: true }).click();

/** One half of the proof. */
export function half(page: Page, mode: "light" | "dark"): FrameLocator {
  return page.frameLocator(`iframe[title$="${mode}"]`);
}

/** The computed background of the first button on a half of the proof. */
export async function buttonColor(page: Page, mode: "light" | "dark"): Promise<string> {
  const button = half(page, mode).getByRole("button", { name: "Book a crossing" });
  return button.evaluate((node) => getComputedStyle(node).backgroundColor);
}

/** The document of a theme as it is saved. */
export async function savedSpec(request: APIRequestContext, slug: string) {
  return (await (await request.get(`/api/themes/${slug}`)).json()).spec;
}

export async function saved(page: Page, revision: number) {
  await expect(page.getByText(`rev ${revision} · saved`)).toBeVisible();
}

/** Holds a step of the open scale where it is. */
export async function pinStep(page: Page, step: string) {
  await page.getByRole("button", { name: `${step} change or copy` }).click();
  await page.getByRole("button", { name: "Pin it here" }).click();
}
