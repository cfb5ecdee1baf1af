// A server that is away, slow or refuses: it is told, and nothing is lost.
import type { Page } from "@playwright/test";
import { buttonColor, expect, open, openBrand, pinStep, saved, savedSpec, test } from "./rhodon";

/** Cuts the line to the server for writes; the result mends it. */
async function cut(page: Page): Promise<() => Promise<void>> {
  const address = "**/api/themes/*";
  await page.route(address, (route) =>
    route.request().method() === "PUT" ? route.abort("connectionrefused") : route.continue(),
  );
  return () => page.unroute(address);
}

test("changes made while the server is away are saved once it is back", async ({ page, slug, request }) => {
  await open(page, slug, "stave");
  const mend = await cut(page);
  await pinStep(page, "Petrol 100");
  await expect(page.getByText("rev 1 · not saved")).toBeVisible();
  await expect(page.getByText("The server does not answer.")).toBeVisible();
  await pinStep(page, "Petrol 200");
  await expect(page.getByText("rev 1 · not saved")).toBeVisible();
  expect((await savedSpec(request, slug)).scales).toBeUndefined();
  await mend();
  await saved(page, 3);
  await expect(page.getByText("The server does not answer.")).toBeHidden();
  expect(Object.keys((await savedSpec(request, slug)).scales.petrol.pins)).toEqual(["100", "200"]);
  await expect(page.getByRole("contentinfo").getByText(/Petrol 200: pinned at/)).toBeVisible();
});

test("a choice for the handoff made while the server is away is saved too", async ({
  page,
  slug,
  request,
}) => {
  await open(page, slug, "handoff");
  const mend = await cut(page);
  await page.getByRole("checkbox", { name: "Sass module in the archive" }).click();
  await expect(page.getByText("rev 1 · not saved")).toBeVisible();
  await mend();
  await saved(page, 2);
  expect((await savedSpec(request, slug)).pack).toEqual(["sass"]);
});

test("a file that cannot be written is told, and shown again once it can", async ({ page, slug }) => {
  await open(page, slug, "handoff");
  const file = page.getByRole("region", { name: "theme.css", exact: true });
  await expect(file).toContainText("--petrol-600");
  await page.route("**/api/export", (route) => route.abort("connectionrefused"));
  await page.getByLabel("format").selectOption("oklch");
  await expect(page.getByRole("alert")).toContainText("The server does not answer.");
  await expect(page.getByLabel("format")).toHaveValue("oklch");
  await page.unroute("**/api/export");
  await page.getByLabel("format").selectOption("rgb");
  await expect(file).toContainText("rgb(");
  await expect(page.getByRole("alert")).toBeHidden();
});

test("an archive that cannot be packed is told, and can be asked for again", async ({ page, slug }) => {
  await open(page, slug, "handoff");
  await page.getByRole("checkbox", { name: "Sass module in the archive" }).click();
  await saved(page, 2);
  await page.route("**/api/archive", (route) => route.abort("connectionrefused"));
  const button = page.getByRole("button", { name: "Download 1 as .zip" });
  await button.click();
  await expect(page.getByRole("alert")).toContainText("The server does not answer.");
  await page.unroute("**/api/archive");
  const waiting = page.waitForEvent("download");
  await button.click();
  expect((await waiting).suggestedFilename()).toMatch(/-2\.zip$/);
  await expect(page.getByRole("alert")).toBeHidden();
});

test("a preview that fails leaves the last good one, and the next one is shown", async ({ page, slug }) => {
  await open(page, slug, "stave");
  const before = await buttonColor(page, "light");
  await page.route("**/api/preview", (route) => route.fulfill({ status: 503, body: "" }));
  const step = page.getByRole("slider", { name: "Petrol 300, lightness" });
  await step.press("ArrowLeft");
  await expect(page.getByText("The server does not answer.")).toBeVisible();
  expect(await buttonColor(page, "light")).toBe(before);
  await page.unroute("**/api/preview");
  await step.press("ArrowLeft");
  // Two presses that are far apart, as on a slow machine, are a revision each.
  await expect(page.getByText(/rev [23] · saved/)).toBeVisible();
  await expect(page.getByText("The server does not answer.")).toBeHidden();
});

test("very long names make revisions all the same", async ({ page, slug, request }) => {
  await open(page, slug, "brand");
  const name = page.getByRole("textbox", { name: "Name", exact: true });
  await name.first().fill(`${"Æ🚢 ".repeat(60)}end`.slice(0, 199));
  await name.first().press("Enter");
  await saved(page, 2);
  await openBrand(page, "Buoy");
  await name.fill("ferry ".repeat(33).trim());
  await name.press("Enter");
  await saved(page, 3);
  await page
    .getByRole("button", { name: /^Move ferry/ })
    .first()
    .click();
  await saved(page, 4);
  expect((await savedSpec(request, slug)).brand[0].name).toContain("ferry ferry");
});

test("a window is not closed over what only it has, without a question", async ({ page, slug }) => {
  const asked: string[] = [];
  page.on("dialog", (dialog) => {
    asked.push(dialog.type());
    void dialog.dismiss();
  });
  await open(page, slug, "stave");
  const mend = await cut(page);
  await pinStep(page, "Petrol 100");
  await expect(page.getByText("rev 1 · not saved")).toBeVisible();
  await page.close({ runBeforeUnload: true });
  await expect.poll(() => asked).toEqual(["beforeunload"]);
  await mend();
  await saved(page, 2);
});

test("a change that was saved while its answer got lost is not taken for somebody else's", async ({
  page,
  slug,
}) => {
  await open(page, slug, "stave");
  await page.route(
    "**/api/themes/*",
    async (route) => {
      await route.fetch();
      await route.abort("connectionreset");
    },
    { times: 1 },
  );
  await pinStep(page, "Petrol 100");
  await expect(page.getByText("rev 1 · not saved")).toBeVisible();
  await saved(page, 2);
  await expect(page.getByRole("dialog")).toBeHidden();
  await pinStep(page, "Petrol 200");
  await saved(page, 3);
});
