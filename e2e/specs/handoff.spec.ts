import { readFile } from "node:fs/promises";
import { expect, open, test } from "./rhodon";

test("the file is copied and downloaded as it is shown", async ({ page, slug, request }) => {
  await open(page, slug, "handoff");
  const file = page.getByRole("region", { name: "theme.css" });
  await expect(file).toContainText("--primary-fill: var(--petrol-600);");
  const theme = await (await request.get(`/api/themes/${slug}`)).json();
  const body = { spec: theme.spec, target: "css", revision: theme.revision };
  const wanted = (await (await request.post("/api/export", { data: body })).json()).files[0].text;
  await file.getByRole("button", { name: "Copy all" }).click();
  expect(await page.evaluate(() => navigator.clipboard.readText())).toBe(wanted);
  const waiting = page.waitForEvent("download");
  await file.getByRole("button", { name: "Download" }).click();
  const download = await waiting;
  expect(download.suggestedFilename()).toBe("theme.css");
  expect(await readFile(await download.path(), "utf8")).toBe(wanted);
});

test("options change the file and the command, and a bad one is told", async ({ page, slug }) => {
  await open(page, slug, "handoff");
  const file = page.getByRole("region", { name: "theme.css" });
  await page.getByLabel("mode", { exact: true }).selectOption("function");
  await expect(file).toContainText("light-dark(");
  await page.getByLabel("format").selectOption("oklch");
  await expect(file).toContainText("oklch(");
  await page.getByLabel("prefix").fill("bsf");
  await expect(file).toContainText("--bsf-petrol-600");
  await expect(page.getByRole("button", { name: /--set format=oklch --set mode=function --set prefix=bsf/ })).toBeVisible();
  await page.getByLabel("prefix").fill("b f");
  await expect(page.getByText("option prefix: expected letters, digits and hyphens")).toBeVisible();
  await expect(page.getByLabel("prefix")).toHaveValue("b f");
});

test("the components are written from the properties alone", async ({ page, slug }) => {
  await open(page, slug, "handoff");
  await page.getByRole("tab", { name: "CSS components" }).click();
  const file = page.getByRole("region", { name: "components.css" });
  await expect(file).toContainText(".intent-danger");
  expect(await file.locator("pre").innerText()).not.toMatch(/#[0-9a-f]{3,8}\b/);
});
