import { readFileSync } from "node:fs";
import { expect, type Page } from "@playwright/test";
import { open, saved, savedSpec, test } from "./rhodon";

const SHEET = `.button { background: #2b6cb0; color: #FFF }
.button:hover { background: rgb(44, 82, 130) }
.notice { border: 1px solid #718096 }
`;

async function bring(page: Page, slug: string, files: { name: string; text: string }[]) {
  await open(page, slug, "handoff");
  await page.getByRole("button", { name: "existing", exact: true }).click();
  const side = page.getByRole("region", { name: "Existing files" });
  await side
    .locator("input[type=file]:not([webkitdirectory])")
    .setInputFiles(
      files.map(({ name, text }) => ({ name, mimeType: "text/plain", buffer: Buffer.from(text) })),
    );
  return side;
}

const line = (page: Page, hex: string) => page.getByRole("row", { name: new RegExp(`^${hex}`) });

test("a style sheet gets the theme's colours: kin follow, greys stay, one line is left", async ({
  page,
  slug,
}) => {
  const side = await bring(page, slug, [{ name: "site.css", text: SHEET }]);
  await expect(side.getByText("0 of 4 places change")).toBeVisible();
  const becomes = page.getByLabel("What #2b6cb0 becomes");
  await becomes.fill("petrol.600");
  await becomes.press("Enter");
  await expect(line(page, "#2b6cb0")).toContainText("set by you");
  await expect(line(page, "#2c5282")).toContainText("kin of #2b6cb0");
  await expect(line(page, "#718096")).toContainText("stays");
  await expect(side.getByText("2 of 4 places change")).toBeVisible();
  await line(page, "#2c5282").getByRole("button", { name: "leave" }).click();
  await expect(line(page, "#2c5282")).toContainText("left by you");
  const changes = page.getByRole("region", { name: "Changes of site.css" });
  await expect(changes.getByRole("listitem")).toHaveCount(1);
  await expect(changes).toContainText(".button { background:");
  const download = page.waitForEvent("download");
  await side.getByRole("button", { name: "Download" }).click();
  const text = readFileSync(await (await download).path(), "utf8");
  expect(text.replace(/#[0-9a-f]{6}/, "#2b6cb0")).toBe(SHEET);
  expect(text).not.toBe(SHEET);
  // What somebody chose outlives another stage.
  await page.getByRole("link", { name: /^Stave/ }).click();
  await page.getByRole("link", { name: /^Handoff/ }).click();
  await page.getByRole("button", { name: "existing", exact: true }).click();
  await expect(line(page, "#2b6cb0")).toContainText("set by you");
  // And a reload, files included.
  await page.reload();
  await expect(line(page, "#2b6cb0")).toContainText("set by you");
  await expect(changes).toContainText(".button { background:");
  await side.getByRole("button", { name: "empty" }).click();
  await page.reload();
  await expect(side.getByText("style sheets, markup")).toBeVisible();
});

test("a wrong colour is told at its line, and files with references get them", async ({ page, slug }) => {
  const side = await bring(page, slug, [
    { name: "site.css", text: SHEET },
    { name: "app.json", text: '{ "bar": "#2b6cb0" }' },
  ]);
  const becomes = page.getByLabel("What #2b6cb0 becomes");
  await becomes.fill("petrolish");
  await becomes.press("Enter");
  await expect(line(page, "#2b6cb0").getByRole("alert")).toContainText("expected");
  await becomes.fill("primary.fill");
  await becomes.press("Enter");
  await side.getByLabel("refer to tokens, var(--…)").check();
  await expect(page.getByRole("region", { name: "Changes of site.css" })).toContainText(
    "var(--primary-fill)",
  );
  await expect(page.getByRole("region", { name: "Changes of app.json" })).not.toContainText("var(");
  const download = page.waitForEvent("download");
  await side.getByRole("button", { name: "Download as .zip" }).click();
  expect((await download).suggestedFilename()).toBe("recolored.zip");
});

test("what becomes unreadable is listed", async ({ page, slug }) => {
  await bring(page, slug, [{ name: "site.css", text: ".a { background: #2b6cb0; color: #ffffff }" }]);
  const becomes = page.getByLabel("What #2b6cb0 becomes");
  await becomes.fill("#ffe08a");
  await becomes.press("Enter");
  await expect(
    page.getByText(/#ffffff on #ffe08a was 5\.\d\d : 1 and is 1\.\d\d : 1; text needs 4\.5/),
  ).toBeVisible();
});

test("a form is learned from a file, follows the theme, and a mistake leaves the last good file", async ({
  page,
  slug,
  request,
}) => {
  await open(page, slug, "handoff");
  await page.getByRole("button", { name: "forms", exact: true }).click();
  await page.getByLabel("Name of the file").fill("scheme.json");
  await page.getByLabel("Example").fill('{ "primary": "#0F5C7A", "odd": "#123abc" }\n');
  await page.getByRole("button", { name: "Make a form of it" }).click();
  await saved(page, 2);
  const spec = await savedSpec(request, slug);
  expect(spec.forms["scheme-json"].slots.odd).toEqual({ color: "#123abc" });
  const pane = page.getByRole("region", { name: "Form scheme-json" });
  await expect(pane.locator("pre")).toContainText('{ "primary": "#0F5C7A", "odd": "#123abc" }');
  await pane.getByLabel("What odd stands for").fill("primary.edge");
  await pane.getByLabel("What odd stands for").press("Enter");
  await saved(page, 3);
  await expect(pane.locator("pre")).not.toContainText("#123abc");
  const text = pane.getByLabel("Text of the form");
  await text.fill('{ "primary": "{{ primry }}" }');
  await expect(
    pane.getByText(/line 1, column 18: no slot is called primry: expected one of odd, primary/),
  ).toBeVisible();
  await expect(pane.getByText("the last good file")).toBeVisible();
  await expect(pane.locator("pre")).toContainText('"primary": "#0F5C7A"');
  // Nothing that was typed is lost.
  await text.blur();
  await saved(page, 4);
  expect((await savedSpec(request, slug)).forms["scheme-json"].text).toContain("primry");
  await pane.getByRole("button", { name: "Remove …" }).click();
  await pane.getByRole("button", { name: "Remove it" }).click();
  await saved(page, 5);
});
