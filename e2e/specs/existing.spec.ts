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

test("a style sheet gets other faces: one before the same fallbacks, or those of a token", async ({
  page,
  slug,
}) => {
  const text = `h1 { font: 700 2rem "Tern Sans", Georgia, serif; color: #2b6cb0 }
p { font-family: Tern Sans }
@font-face { font-family: "Tern Sans"; src: url(tern.woff2) }
`;
  const side = await bring(page, slug, [{ name: "site.css", text }]);
  await expect(side.getByText("0 of 3 places change")).toBeVisible();
  const becomes = page.getByLabel("What Tern Sans becomes");
  await becomes.fill("petrol.500");
  await becomes.press("Enter");
  await expect(side.getByRole("row", { name: /^Tern Sans/ }).getByRole("alert")).toContainText(
    "petrol.500 holds no faces",
  );
  // What is refused stands at its field, also after a reload, and keeps nothing else from being done.
  const color = page.getByLabel("What #2b6cb0 becomes");
  await color.fill("petrolish");
  await color.press("Enter");
  await expect(line(page, "#2b6cb0").getByRole("alert")).toContainText("expected");
  await page.reload();
  await expect(side.getByRole("alert")).toHaveCount(2);
  await color.fill("petrol.600");
  await color.press("Enter");
  await expect(side.getByText("1 of 3 places change")).toBeVisible();
  await expect(side.getByRole("alert")).toHaveCount(1);
  await color.fill("");
  await color.press("Enter");
  await becomes.fill("Anlow Text");
  await becomes.press("Enter");
  await expect(side.getByText("2 of 3 places change")).toBeVisible();
  await expect(page.getByRole("region", { name: "Changes of site.css" })).toContainText(
    '"Tern Sans", Georgia, serif → "Anlow Text", Georgia, serif',
  );
  await expect(side.getByRole("row", { name: /^Tern Sans/ })).toContainText(
    "None of the files loads Anlow Text",
  );
  const download = page.waitForEvent("download");
  await side.getByRole("button", { name: "Download" }).click();
  const file = readFileSync(await (await download).path(), "utf8");
  expect(file).toBe(text.replace("Tern Sans", "Anlow Text").replace(": Tern Sans }", ": Anlow Text }"));
  await becomes.fill("type.family.body");
  await becomes.press("Enter");
  await expect(side.getByRole("row", { name: /^Tern Sans/ })).toContainText("system-ui");
});

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

/** Makes a form of an example. */
async function learn(page: Page, slug: string, file: string, example: string) {
  await open(page, slug, "handoff");
  await page.getByRole("button", { name: "forms", exact: true }).click();
  await page.getByLabel("Name of the file").fill(file);
  await page.getByLabel("Example").fill(example);
  await page.getByRole("button", { name: "Make a form of it" }).click();
}

test("a form is learned from a file, follows the theme, and a mistake leaves the last good file", async ({
  page,
  slug,
  request,
}) => {
  await learn(page, slug, "scheme.json", '{ "primary": "#0F5C7A", "odd": "#123abc" }\n');
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

test("slots of a host follow the roles that their names speak of, at one press", async ({
  page,
  slug,
  request,
}) => {
  const example =
    '{ "slots.topBar.ground": "#123abc", "slots.topBar.ink": "#ffffff", "slots.bell": "#d10000" }';
  await learn(page, slug, "host.json", example);
  const pane = page.getByRole("region", { name: "Form host-json" });
  await expect(pane.locator("pre")).toContainText(example);
  // The button that made the form is gone: its keys are at the form.
  await expect(pane).toBeFocused();
  const called = pane.getByRole("list", { name: "Called after a role" }).getByRole("listitem");
  // White is that of the bar's text too, of which the name speaks: it follows that already.
  await expect(called).toHaveText([/^top_bar_ground\s+bar.fill$/]);
  await pane.getByRole("button", { name: "Let it follow" }).click();
  await expect(pane.locator("pre")).toContainText('"slots.topBar.ground": "#0f5c7a"');
  await expect(pane.locator("pre")).toContainText('"slots.bell": "#d10000"');
  await expect(called).toHaveCount(0);
  await expect(pane).toBeFocused();
  await saved(page, 3);
  const { slots } = (await savedSpec(request, slug)).forms["host-json"];
  expect(slots.top_bar_ink).toEqual({ token: "bar.text" });
});

/** A flat mark of two colours, as a PNG. */
async function mark(page: Page): Promise<Buffer> {
  const drawn = await page.evaluate(() => {
    const canvas = document.createElement("canvas");
    [canvas.width, canvas.height] = [60, 60];
    const pen = canvas.getContext("2d");
    if (!pen) throw new Error("no canvas");
    pen.fillStyle = "#2b6cb0";
    pen.fillRect(0, 0, 60, 60);
    pen.fillStyle = "#e4572e";
    pen.fillRect(10, 10, 30, 30);
    return canvas.toDataURL("image/png").split(",")[1] ?? "";
  });
  return Buffer.from(drawn, "base64");
}

test("the colours of a picture have lines of their own, and a doubtful one asks", async ({ page, slug }) => {
  await open(page, slug, "handoff");
  await page.getByRole("button", { name: "existing", exact: true }).click();
  const side = page.getByRole("region", { name: "Existing files" });
  await side
    .locator("input[type=file]:not([webkitdirectory])")
    .setInputFiles([{ name: "mark.png", mimeType: "image/png", buffer: await mark(page) }]);
  await expect(line(page, "#2b6cb0")).toContainText("mark.png");
  const becomes = page.getByLabel("What #2b6cb0 becomes");
  await becomes.fill("#7a4b8f");
  await becomes.press("Enter");
  const after = side.getByRole("img", { name: "mark.png, recoloured" });
  await expect(after).toBeVisible();
  const corner = () =>
    after.evaluate(async (img: HTMLImageElement) => {
      await img.decode();
      const canvas = document.createElement("canvas");
      [canvas.width, canvas.height] = [60, 60];
      const pen = canvas.getContext("2d");
      pen?.drawImage(img, 0, 0);
      return [...(pen?.getImageData(1, 1, 1, 1).data.slice(0, 3) ?? [])];
    });
  await expect.poll(corner).toEqual([0x7a, 0x4b, 0x8f]);
  // Of the theme's own colours several tokens are one code: which is meant is asked, with swatches.
  await side.getByLabel("Colours of the files").selectOption({ label: "they have Brindle Freight" });
  const which = page.getByRole("group", { name: "Which does #e4572e become?" });
  await expect(which).toBeVisible();
  const offered = await which
    .getByRole("button")
    .evaluateAll((buttons) => buttons.map((one) => one.getAttribute("aria-label") ?? ""));
  expect(offered.length).toBeGreaterThan(1);
  // Whichever is chosen, that very colour is what it becomes, in light mode or in dark.
  for (const name of offered) {
    await which.getByRole("button", { name, exact: true }).click();
    await expect(which).toHaveCount(0);
    await expect(line(page, "#e4572e")).toContainText("set by you");
    const code = name.split(", ")[0] ?? "";
    // One that stays itself becomes nothing new.
    const told = code === "#e4572e" ? "colour or token" : code;
    await expect(page.getByLabel("What #e4572e becomes")).toHaveAttribute("placeholder", told);
    await page.getByLabel("What #e4572e becomes").fill("");
    await page.getByLabel("What #e4572e becomes").press("Enter");
    await expect(which).toBeVisible();
  }
});

test("a picture that cannot be read says so beside it, and the others are read", async ({ page, slug }) => {
  await open(page, slug, "handoff");
  await page.getByRole("button", { name: "existing", exact: true }).click();
  const side = page.getByRole("region", { name: "Existing files" });
  const whole = await mark(page);
  await side.locator("input[type=file]:not([webkitdirectory])").setInputFiles([
    { name: "cut.png", mimeType: "image/png", buffer: whole.subarray(0, 90) },
    { name: "whole.png", mimeType: "image/png", buffer: whole },
  ]);
  const pictures = side.getByRole("list", { name: "Pictures" });
  await expect(
    pictures.getByRole("listitem").filter({ hasText: "cut.png" }).getByRole("alert"),
  ).toContainText("a damaged PNG");
  await expect(side.getByRole("row").filter({ hasText: "whole.png" }).first()).toBeVisible();
});
