import { readFile } from "node:fs/promises";
import { expect, open, openBrand, saved, savedSpec, test } from "./rhodon";

test("the file is copied and downloaded as it is shown", async ({ page, slug, request }) => {
  await open(page, slug, "handoff");
  const file = page.getByRole("region", { name: "theme.css", exact: true });
  await expect(file).toContainText("--primary-fill: var(--petrol-600);");
  const theme = await (await request.get(`/api/themes/${slug}`)).json();
  const body = { spec: theme.spec, target: "css", options: {}, revision: theme.revision };
  const wanted = (await (await request.post("/api/export", { data: body })).json()).files[0].text;
  await file.getByRole("button", { name: "Copy all" }).click();
  expect(await page.evaluate(() => navigator.clipboard.readText())).toBe(wanted);
  const waiting = page.waitForEvent("download");
  await file.getByRole("button", { name: "Download" }).click();
  const download = await waiting;
  expect(download.suggestedFilename()).toBe("theme.css");
  expect(await readFile(await download.path(), "utf8")).toBe(wanted);
});

test("the sheet is saved as a picture of its drawing", async ({ page, slug }) => {
  await open(page, slug, "handoff");
  await page.getByRole("navigation", { name: "Targets" }).getByText("Printable sheet").click();
  const file = page.getByRole("region", { name: "theme.svg", exact: true });
  await expect(file).toContainText(/revision 1 · \d{4}-\d\d-\d\d/);
  const waiting = page.waitForEvent("download");
  await file.getByRole("button", { name: "As PNG" }).click();
  const download = await waiting;
  expect(download.suggestedFilename()).toBe("theme.png");
  const bytes = await readFile(await download.path());
  // The signature, and twice the drawing's width, which stands behind it (PNG, 5.2 and 11.2.2).
  expect(bytes.subarray(1, 4).toString("latin1")).toBe("PNG");
  expect(bytes.readUInt32BE(16)).toBe(2400);
});

test("options change the file and the command, and are remembered with the theme", async ({
  page,
  slug,
  request,
}) => {
  await open(page, slug, "handoff");
  const file = page.getByRole("region", { name: "theme.css", exact: true });
  await page.getByLabel("mode", { exact: true }).selectOption("function");
  await expect(file).toContainText("light-dark(");
  await page.getByLabel("format").selectOption("oklch");
  await expect(file).toContainText("oklch(");
  await page.getByLabel("prefix").fill("bsf");
  await expect(file).toContainText("--bsf-petrol-600");
  await page.getByLabel("prefix").press("Enter");
  const command = page.getByRole("button", {
    name: /--set mode=function --set format=oklch --set prefix=bsf/,
  });
  await expect(command).toBeVisible();
  await expect
    .poll(async () => (await savedSpec(request, slug)).handoff)
    .toEqual({ css: { format: "oklch", mode: "function", prefix: "bsf" } });
  await page.reload();
  await expect(page.getByLabel("prefix")).toHaveValue("bsf");
  await expect(command).toBeVisible();
});

test("an option that is refused is told, and stays as it was typed", async ({ page, slug }) => {
  await open(page, slug, "handoff");
  await page.getByLabel("prefix").fill("b f");
  await expect(page.getByText("option prefix: expected letters, digits and hyphens")).toBeVisible();
  await page.getByLabel("prefix").press("Enter");
  await expect(page.getByLabel("prefix")).toHaveValue("b f");
  await expect(page.getByText("rev 1", { exact: false })).toBeVisible();
});

test("what is said of an option stands at its field, and the last good file stays", async ({
  page,
  slug,
}) => {
  await open(page, slug, "handoff");
  await page.getByRole("button", { name: /Utility config, script/ }).click();
  await page.getByLabel("stock").selectOption("replace");
  const keep = page.getByRole("textbox", { name: "keep" });
  const file = page.getByRole("region", { name: "theme.preset.js" });
  await keep.fill("zinc, transparent,");
  await expect(file.getByText('colors["zinc"]')).toBeVisible();
  await expect(keep).toHaveAccessibleDescription(/^Stock colours that stay/);
  await keep.fill("zinc, zink");
  await expect(keep).toHaveAccessibleDescription(/there is no stock colour zink: expected some of black/);
  await keep.fill("zinc, 9x");
  await expect(keep).toHaveAccessibleDescription(/expected names of letters, digits and hyphens/);
  await expect(file.getByText('colors["zinc"]')).toBeVisible();
  await expect(page.getByRole("alert")).toHaveCount(0);
});

test("targets are found by ending, by key and by file", async ({ page, slug }) => {
  await open(page, slug, "handoff");
  const list = page.getByRole("navigation", { name: "Targets" });
  const find = page.getByLabel("Find a target");
  for (const [words, names] of [
    ["scss", ["Sass module", "Sass framework overrides", "Sass framework palettes"]],
    ["@theme", ["Utility config, style sheet"]],
    ["colors.xml", ["Android resources"]],
    [".swift", ["Asset catalogue and Swift"]],
  ] as const) {
    await find.fill(words);
    await expect(list.getByRole("button")).toHaveText(names.map((n) => new RegExp(`^${n}`)));
  }
  await find.press("Enter");
  await expect(page.getByRole("heading", { name: "Asset catalogue and Swift" })).toBeVisible();
  await find.fill("nothing has this");
  await expect(list).toContainText("No target has “nothing has this”");
});

test("a target that an address opens is in sight in the list", async ({ page, slug }) => {
  await page.goto(`/themes/${slug}/handoff?target=spec`);
  const list = page.getByRole("navigation", { name: "Targets" });
  await expect(list.locator("[aria-current]")).toHaveText(/^Theme document/);
  await expect(list.locator("[aria-current]")).toBeInViewport();
});

test("every target shows a file of its own", async ({ page, slug, request }) => {
  const targets: { id: string; name: string }[] = await (await request.get("/api/targets")).json();
  expect(targets.length).toBeGreaterThan(24);
  await open(page, slug, "handoff");
  const list = page.getByRole("navigation", { name: "Targets" });
  for (const { id, name } of targets) {
    await list.getByRole("button", { name: new RegExp(`^${name.replace(/[.,]/g, ".")}`) }).click();
    await expect(page.getByRole("heading", { name, exact: true })).toBeVisible();
    await expect(page.getByRole("button", { name: new RegExp(`--target ${id} `) })).toBeVisible();
    await expect(page.locator("pre [data-line]").nth(1)).toBeVisible();
  }
});

test("one line is copied by a click and by the keyboard", async ({ page, slug }) => {
  await open(page, slug, "handoff");
  const file = page.getByRole("region", { name: "theme.css", exact: true });
  await file.locator("[data-line]", { hasText: "--petrol-600: #0f5c7a;" }).click();
  await expect(file.getByRole("status")).toHaveText("copied --petrol-600: #0f5c7a");
  expect(await page.evaluate(() => navigator.clipboard.readText())).toBe("--petrol-600: #0f5c7a");
  await file.getByLabel("Find in the file").fill("--focus-ring");
  await expect(file.locator("[data-current]")).toContainText("--focus-ring: var(--primary-edge);");
  await expect(file.locator("[data-current]")).toBeInViewport();
  await file.locator("pre").focus();
  await page.keyboard.press("ArrowUp");
  await page.keyboard.press("ArrowDown");
  await page.keyboard.press("Enter");
  expect(await page.evaluate(() => navigator.clipboard.readText())).toBe("--focus-ring: var(--primary-edge)");
});

test("what the last change altered is marked", async ({ page, slug }) => {
  await open(page, slug, "brand");
  await openBrand(page, "Buoy");
  const code = page.getByRole("textbox", { name: "Colour", exact: true });
  await code.fill("#d2451e");
  await code.press("Enter");
  await saved(page, 2);
  await page.getByRole("link", { name: /^Handoff/ }).click();
  const file = page.getByRole("region", { name: "theme.css", exact: true });
  await expect(file.getByRole("button", { name: /lines changed/ })).toBeVisible();
  const changed = await file.locator("[data-changed]").allInnerTexts();
  expect(changed.some((l) => l.includes("#d2451e"))).toBe(true);
  expect(changed.every((l) => !l.includes("--petrol-") && !l.includes("content"))).toBe(true);
});

test("the components are written from the properties alone", async ({ page, slug }) => {
  await open(page, slug, "handoff");
  await page
    .getByRole("navigation", { name: "Targets" })
    .getByRole("button", { name: /^CSS components/ })
    .click();
  const file = page.getByRole("region", { name: "components.css" });
  await expect(file).toContainText(".intent-danger");
  expect(await file.locator("pre").innerText()).not.toMatch(/#[0-9a-f]{3,8}\b/);
});

test("an archive of what is ticked is downloaded, and the ticks stay with the theme", async ({
  page,
  slug,
  request,
}) => {
  await open(page, slug, "handoff");
  await expect(page.getByRole("button", { name: "Tick what to pack" })).toBeDisabled();
  await page.getByLabel("Sass module in the archive").check();
  await page.getByLabel("Android resources in the archive").check();
  const waiting = page.waitForEvent("download");
  await page.getByRole("button", { name: "Download 2 as .zip" }).click();
  const download = await waiting;
  expect(download.suggestedFilename()).toMatch(/\.zip$/);
  const bytes = await readFile(await download.path());
  // The names in a ZIP file stand in it as they are.
  for (const name of ["README.md", "_theme.scss", "values-night/colors.xml"]) {
    expect(bytes.includes(name)).toBe(true);
  }
  const pack = async () => (await (await request.get(`/api/themes/${slug}`)).json()).spec.pack;
  await expect.poll(pack).toEqual(["android", "sass"]);
  await page.reload();
  await expect(page.getByLabel("Sass module in the archive")).toBeChecked();
  await expect(page.getByRole("link", { name: /^Handoff/ })).toContainText("2 chosen");
});

test("what a target cannot carry is listed by name", async ({ page, slug }) => {
  await open(page, slug, "handoff");
  await page.goto(`/themes/${slug}/handoff?target=palette`);
  await page.getByText(/tokens do not fit as they are/).click();
  const gaps = page.getByLabel("What this target cannot carry");
  await expect(gaps).toContainText("the format holds only colours");
  await expect(gaps).toContainText("type.size.body");
});

test("a theme made from exported files is the same theme", async ({ page, slug, request }) => {
  const { spec } = await (await request.get(`/api/themes/${slug}`)).json();
  const export_ = await request.post("/api/export", { data: { spec, target: "tokens", options: {} } });
  const { files } = await export_.json();
  await open(page, slug, "handoff");
  await page.getByRole("banner").getByRole("button", { name: /▾/ }).click();
  await page.getByRole("menuitem", { name: "New theme …" }).click();
  const chooser = page.waitForEvent("filechooser");
  await page.getByRole("button", { name: "Choose files …" }).click();
  const payload = files.map((f: { path: string; text: string }) => ({
    name: f.path,
    mimeType: "application/json",
    buffer: Buffer.from(f.text),
  }));
  await (await chooser).setFiles(payload);
  await page.waitForURL((url) => !url.pathname.includes(`/${slug}/`));
  const made = new URL(page.url()).pathname.split("/")[2];
  expect((await (await request.get(`/api/themes/${made}`)).json()).spec).toEqual(spec);
});

test("files that hold mistakes say where, and the rest makes a theme", async ({ page, slug }) => {
  await open(page, slug, "handoff");
  await page.getByRole("banner").getByRole("button", { name: /▾/ }).click();
  await page.getByRole("menuitem", { name: "New theme …" }).click();
  const chooser = page.waitForEvent("filechooser");
  await page.getByRole("button", { name: "Choose files …" }).click();
  const tokens = { tide: { $type: "color", high: { $value: "#0f5c7a" }, low: { $value: "bleu" } } };
  await (await chooser).setFiles({
    name: "tide.json",
    mimeType: "application/json",
    buffer: Buffer.from(JSON.stringify(tokens)),
  });
  await expect(page.getByLabel("What could not be read")).toContainText('tide.json, tide.low: "bleu"');
  await page.getByRole("button", { name: "Create from the rest" }).click();
  await page.waitForURL(/imported-theme/);
});

test("what a project has is told with its colours before a theme is made of it", async ({
  page,
  slug,
  request,
}) => {
  await open(page, slug, "handoff");
  await page.getByRole("banner").getByRole("button", { name: /▾/ }).click();
  await page.getByRole("menuitem", { name: "New theme …" }).click();
  const name = `Reef ${slug}`;
  await page.getByRole("dialog").getByLabel("Name").fill(name);
  const chooser = page.waitForEvent("filechooser");
  await page.getByRole("button", { name: "Choose files …" }).click();
  const config = `export default { theme: { extend: {
    colors: { harbour: { light: "#3fa9d0", DEFAULT: "#1680ac" }, error: "#c62828" },
    fontFamily: { sans: ["Vess", "sans-serif"] } } } };`;
  await (await chooser).setFiles({
    name: "utility.config.js",
    mimeType: "text/javascript",
    buffer: Buffer.from(config),
  });
  const files = page.getByRole("region", { name: "From files" });
  const brand = files.getByRole("list", { name: /^Brand colours of/ });
  await expect(brand.getByRole("listitem")).toHaveText([/Harbour #1680ac/, /Error #c62828/]);
  const notes = files.getByRole("list", { name: "What was done with names" });
  await expect(notes).toContainText("Harbour light #3fa9d0 is a shade of Harbour: it is left");
  await files.getByRole("button", { name: "Create" }).click();
  await page.waitForURL(/\/themes\/reef-/);
  const made = new URL(page.url()).pathname.split("/")[2];
  const { spec } = await (await request.get(`/api/themes/${made}`)).json();
  expect(spec).toMatchObject({
    name,
    intents: { danger: { scale: "error" } },
    type: { body: ["Vess", "sans-serif"] },
  });
  // Each colour remembers where it stood.
  expect(spec.brand[0].from).toMatchObject({ kind: "file", name: "utility.config.js", line: 2 });
});

test("a file dropped on the window becomes a theme", async ({ page, slug, request }) => {
  const { spec } = await (await request.get(`/api/themes/${slug}`)).json();
  await open(page, slug, "stave");
  const dropped = await page.evaluateHandle(
    (text) => {
      const transfer = new DataTransfer();
      transfer.items.add(new File([text], "tern.rhodon.json", { type: "application/json" }));
      return transfer;
    },
    JSON.stringify({ ...spec, name: `Dropped ${slug}` }),
  );
  await page.dispatchEvent("body", "dragenter", { dataTransfer: dropped });
  const zone = page.locator(".mantine-Dropzone-root");
  await zone.dispatchEvent("dragenter", { dataTransfer: dropped });
  await expect(
    page.getByText("Drop a picture or a project for its colours, or the files of a theme"),
  ).toBeVisible();
  await zone.dispatchEvent("drop", { dataTransfer: dropped });
  await page.waitForURL(/\/themes\/dropped-/);
  await expect(page.getByRole("banner").getByRole("button", { name: /^Dropped/ })).toBeVisible();
});
