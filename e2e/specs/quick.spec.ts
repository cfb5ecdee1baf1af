import type { Page } from "@playwright/test";
import { expect, open, pinStep, saved, savedSpec, test } from "./rhodon";

/** Every save takes a while, and every file, as over a long line. */
async function slowly(page: Page) {
  for (const address of ["**/api/themes/*", "**/api/export"]) {
    await page.route(address, async (route) => {
      if (route.request().method() !== "GET") await new Promise((go) => setTimeout(go, 400));
      await route.continue();
    });
  }
}

test("options chosen faster than they are saved are all kept", async ({ page, slug, request }) => {
  await slowly(page);
  await open(page, slug, "handoff");
  await page.getByLabel("mode", { exact: true }).selectOption("function");
  await page.getByLabel("format").selectOption("oklch");
  await page.getByLabel("prefix").fill("bsf");
  await page.getByLabel("prefix").press("Enter");
  await page.getByRole("checkbox", { name: "Sass module in the archive" }).click();
  await expect(page.getByLabel("format")).toHaveValue("oklch");
  await expect(page.getByLabel("prefix")).toHaveValue("bsf");
  await saved(page, 5);
  expect((await savedSpec(request, slug)).handoff).toEqual({
    css: { format: "oklch", mode: "function", prefix: "bsf" },
  });
  expect((await savedSpec(request, slug)).pack).toEqual(["sass"]);
  // Choices in a row are one revision and one step of undo.
  const revisions = await (await request.get(`/api/themes/${slug}/revisions`)).json();
  expect(revisions).toHaveLength(2);
  await page.getByRole("button", { name: "Undo" }).click();
  await saved(page, 1);
});

test("a good option is saved beside one that is refused, which stays as typed", async ({
  page,
  slug,
  request,
}) => {
  await open(page, slug, "handoff");
  await page.getByLabel("prefix").fill("b f");
  await page.getByLabel("mode", { exact: true }).selectOption("function");
  await saved(page, 2);
  expect((await savedSpec(request, slug)).handoff).toEqual({ css: { mode: "function" } });
  await expect(page.getByLabel("prefix")).toHaveValue("b f");
  await expect(page.getByLabel("prefix")).toHaveAccessibleDescription(/option prefix: expected letters/);
});

test("steps changed faster than they are saved are all kept", async ({ page, slug, request }) => {
  await slowly(page);
  await open(page, slug, "stave");
  const step = (label: string) => page.getByRole("slider", { name: `Petrol ${label}, lightness` });
  const before = Number(await step("300").getAttribute("aria-valuenow"));
  await step("300").press("ArrowRight");
  await step("300").press("ArrowRight");
  await step("400").press("ArrowLeft");
  await pinStep(page, "Petrol 100");
  await pinStep(page, "Petrol 200");
  await saved(page, 5);
  const { lightness, pins } = (await savedSpec(request, slug)).scales.petrol;
  expect(Object.keys(lightness)).toEqual(["300", "400"]);
  expect(lightness["300"]).toBeCloseTo(before - 1, 0);
  expect(Object.keys(pins)).toEqual(["100", "200"]);
});

test("a change made while an undo is on its way stands on what the undo left", async ({
  page,
  slug,
  request,
}) => {
  await open(page, slug, "stave");
  await pinStep(page, "Petrol 100");
  await saved(page, 2);
  await slowly(page);
  await pinStep(page, "Petrol 200");
  await page.keyboard.press("Control+z");
  await saved(page, 2);
  await pinStep(page, "Petrol 300");
  await expect
    .poll(async () => Object.keys((await savedSpec(request, slug)).scales.petrol.pins))
    .toEqual(["100", "300"]);
});

test("typing goes on while an earlier colour is being saved", async ({ page, slug, request }) => {
  await slowly(page);
  await open(page, slug, "brand");
  const field = page.getByRole("textbox", { name: "Colour", exact: true }).first();
  const saving = page.waitForRequest((r) => r.method() === "PUT");
  await field.fill("teal");
  await saving;
  await field.fill("tomat");
  await saved(page, 2);
  await expect(field).toHaveValue("tomat");
  await field.fill("tomato");
  await field.press("Enter");
  await saved(page, 3);
  expect((await savedSpec(request, slug)).brand[0].color).toBe("tomato");
});
