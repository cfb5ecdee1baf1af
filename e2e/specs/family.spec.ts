import AxeBuilder from "@axe-core/playwright";
import type { APIRequestContext } from "@playwright/test";
import { brandRow, expect, open, openBrand, saved, savedSpec, test } from "./rhodon";

/** A child of a theme, under a name of its own. */
async function childOf(request: APIRequestContext, slug: string, more: object = {}) {
  const spec = { format: 1, name: `Child ${slug}`, extends: slug, ...more };
  const made = await request.post("/api/themes", { data: { spec } });
  expect(made.status()).toBe(201);
  return (await made.json()).slug as string;
}

test("every theme stands under its parent, with pictures painted by its own export", async ({
  page,
  slug,
  request,
}) => {
  await childOf(request, slug, { roles: { "surface.base": { light: "#fff0e0" } } });
  await open(page, slug, "stave");
  await page.keyboard.press("0");
  await expect(page.getByRole("heading", { name: "All themes", level: 1 })).toBeVisible();
  await page.getByRole("textbox", { name: "Search themes" }).fill(`child ${slug}`);
  const rows = page.getByRole("article");
  await expect(rows).toHaveCount(2);
  const child = rows.last();
  await expect(child).toContainText("own: role surface.base in light");
  await expect(child).toContainText("↳");
  const body = child.frameLocator("iframe").first().locator("body");
  await expect(body).toHaveCSS("background-color", "rgb(255, 240, 224)");
  await expect(rows.first().frameLocator("iframe").first().locator("body")).not.toHaveCSS(
    "background-color",
    "rgb(255, 240, 224)",
  );
  const { violations } = await new AxeBuilder({ page }).exclude("iframe").analyze();
  expect(violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.html).join(" ")}`)).toEqual([]);
});

/** A logo on paper, in two colours. */
const logo = (name: string, [roof, door]: [string, string]) => ({
  name: `${name}.svg`,
  mimeType: "image/svg+xml",
  buffer: Buffer.from(
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 60"><rect width="100" height="60" fill="#fff"/>
     <path d="M10 50 50 8 90 50z" fill="${roof}"/><circle cx="50" cy="42" r="9" fill="${door}"/></svg>`,
  ),
});

test("each logo makes a child that is painted with its colours, paper and ink left out", async ({
  page,
  slug,
  request,
}) => {
  await page.goto(`/family?about=child&of=${slug}`);
  const dialog = page.getByRole("dialog");
  const choosing = page.waitForEvent("filechooser");
  await dialog.getByRole("button", { name: "With the colours of a logo …" }).click();
  const unreadable = { name: "broken.svg", mimeType: "image/svg+xml", buffer: Buffer.from("<svg") };
  await (await choosing).setFiles([
    logo(`tern ${slug}`, ["#0b5f4a", "#f2b134"]),
    unreadable,
    { name: "notes.png", mimeType: "image/png", buffer: Buffer.from("no picture") },
    logo(`skua ${slug}`, ["#1d2a6b", "#ff6b3d"]),
  ]);
  const drafts = dialog.getByRole("list", { name: "Children to make" }).locator("> li");
  await expect(drafts).toHaveCount(2);
  // Each that cannot be read is told.
  await expect(dialog.getByRole("alert")).toContainText(/broken\.svg: .+; notes\.png: .+/);
  const { violations } = await new AxeBuilder({ page }).include("[role=dialog] form").analyze();
  expect(violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.html).join(" ")}`)).toEqual([]);
  await expect(drafts.first().getByRole("checkbox", { checked: true })).toHaveCount(2);
  await expect(drafts.first()).toContainText(/Teal #0b5f4a\s*primary/);
  // The door of the second is its first colour.
  await drafts.last().getByText("#1d2a6b").click();
  await drafts.last().getByText("#1d2a6b").click();
  await dialog.getByRole("button", { name: "Create 2" }).click();
  await expect(dialog).toBeHidden();
  await expect(page.getByRole("alert").filter({ hasText: "2 new children of" })).toBeVisible();
  const made = await (await request.get("/api/themes")).json();
  const specOf = (name: string) => {
    const theme = made.find((one: { name: string }) => one.name === `${name} ${slug.replaceAll("-", " ")}`);
    return savedSpec(request, theme.slug);
  };
  const [tern, skua] = [await specOf("Tern"), await specOf("Skua")];
  expect(tern.extends).toBe(slug);
  const played = (spec: typeof tern) =>
    ["primary", "secondary"].map((intent) => {
      const choice = spec.intents[intent].scale;
      return spec.brand.find((b: { slug: string }) => b.slug === choice).color;
    });
  expect(played(tern)).toEqual(["#0b5f4a", "#f2b134"]);
  expect(played(skua)).toEqual(["#ff6b3d", "#1d2a6b"]);
  expect(tern.brand).toHaveLength(2);
});

test("a new child, another parent after what it moves was told, and set free", async ({
  page,
  slug,
  request,
}) => {
  const other = await childOf(request, slug, { shape: { radius: 11 } });
  await open(page, slug, "stave");
  await page.goto("/family");
  await page.getByRole("textbox", { name: "Search themes" }).fill(slug.replaceAll("-", " "));
  await page.getByRole("textbox", { name: "Search themes" }).fill(slug);
  const row = page.getByRole("article").first();
  const menu = row.getByRole("button", { name: /^What to do with/ });
  await menu.press("Enter");
  await expect(page.getByRole("menuitem", { name: "New child …" })).toBeVisible();
  // Left by key it leads back to where it was called, also the first time.
  await page.keyboard.press("Escape");
  await expect(menu).toBeFocused();
  await menu.click();
  await page.getByRole("menuitem", { name: "New child …" }).click();
  const name = page.getByRole("dialog").getByRole("textbox", { name: "Name" });
  await name.fill(`Pilot ${slug}`);
  await name.press("Enter");
  await expect(page.getByRole("banner").getByText("child of")).toBeVisible();
  await expect(page.getByRole("button", { name: "0 own" })).toBeVisible();
  const made = new URL(page.url()).pathname.split("/")[2] ?? "";

  await page.goto("/family");
  await page.getByRole("textbox", { name: "Search themes" }).fill(`pilot ${slug}`);
  const ask = async () => {
    await page
      .getByRole("article")
      .last()
      .getByRole("button", { name: /^What to do with Pilot/ })
      .click();
    await page.getByRole("menuitem", { name: /Another parent/ }).click();
  };
  await ask();
  const dialog = page.getByRole("dialog");
  await expect(dialog.getByRole("button", { name: "Move it" })).toBeDisabled();
  await dialog.getByRole("combobox").selectOption(other);
  await expect(dialog).toContainText(/values? would move/);
  await dialog.getByRole("button", { name: "Move it" }).click();
  await expect(dialog).toBeHidden();
  expect((await savedSpec(request, made)).extends).toBe(other);
  await ask();
  await dialog.getByRole("combobox").selectOption("");
  await expect(dialog).toContainText("No value moves.");
  await dialog.getByRole("button", { name: "Set it free" }).click();
  await expect(dialog).toBeHidden();
  const free = await savedSpec(request, made);
  expect([free.extends, free.shape.radius, free.brand.length]).toEqual([undefined, 11, 2]);
});

test("in a child one sees whose each thing is, makes it its own by touching it and gives it back", async ({
  page,
  slug,
  request,
}) => {
  const child = await childOf(request, slug);
  await open(page, child, "brand");
  await expect(brandRow(page).getByRole("button", { name: /^Petrol/ })).toBeVisible();
  await openBrand(page, "Buoy");
  await expect(page.getByText(/^from Test .* it is this theme's own/)).toBeVisible();
  const code = page.getByRole("textbox", { name: "Colour", exact: true });
  await code.fill("#c2410c");
  await code.press("Enter");
  await saved(page, 2);
  expect((await savedSpec(request, child)).brand).toEqual([{ name: "Buoy", slug: "buoy", color: "#c2410c" }]);
  await expect(page.getByRole("button", { name: "1 own" })).toBeVisible();

  await page.getByRole("link", { name: /^Ledger/ }).click();
  await page.getByRole("combobox", { name: "Origin" }).selectOption("derived");
  await page.getByRole("button", { name: "buoy.700", exact: true }).click();
  await expect(page.getByRole("region", { name: "About buoy.700" })).toContainText(
    "follows brand colour buoy",
  );
  await page.getByRole("combobox", { name: "Origin" }).selectOption("inherited");
  await page.getByRole("button", { name: "petrol.700", exact: true }).click();
  await expect(page.getByRole("region", { name: "About petrol.700" })).toContainText(/from Test/);

  await page.getByRole("button", { name: "1 own" }).click();
  const decision = page.getByRole("dialog").getByRole("listitem");
  await expect(decision).toContainText(/brand colour buoy\s+#c2410c\s+in place of Test .*’s\s+#e4572e/);
  await expect(decision.locator("[style*=background]")).toHaveCount(2);
  await page.getByRole("dialog").getByRole("button", { name: "give back", exact: true }).click();
  await saved(page, 3);
  await expect(page.getByRole("dialog")).toContainText("Nothing: it follows");
  expect((await savedSpec(request, child)).brand).toBeUndefined();
});

test("a change of a parent tells what it moves below, and is held where that becomes unreadable", async ({
  page,
  slug,
  request,
}) => {
  await childOf(request, slug);
  await open(page, slug, "ledger");
  const cell = page.getByRole("row", { name: /text\.muted/ });
  const set = async (code: string) => {
    await page.getByRole("textbox", { name: "Search tokens" }).fill("text.muted");
    await cell.getByRole("cell").nth(1).getByRole("button").first().click();
    const field = page.getByRole("combobox", { name: "text.muted, light" });
    await field.fill(code);
    await field.press("Enter");
  };
  await set("#303030");
  await saved(page, 2);
  await page.getByRole("button", { name: "moves 1 theme below" }).click();
  await expect(page.getByRole("dialog")).toContainText(`Child ${slug}`);
  await page.keyboard.press("Escape");

  await set("#cccccc");
  const dialog = page.getByRole("dialog", { name: "Unreadable below" });
  await expect(dialog).toContainText("text.muted on surface.base (light)");
  await dialog.getByRole("button", { name: "Leave it" }).click();
  await expect(dialog).toBeHidden();
  expect((await savedSpec(request, slug)).roles["text.muted"].light).toBe("#303030");
  await page.keyboard.press("Escape");
  await set("#cccccc");
  await dialog.getByRole("button", { name: "Save all the same" }).click();
  await saved(page, 3);
  expect((await savedSpec(request, slug)).roles["text.muted"].light).toBe("#cccccc");
});

test("two themes side by side, searched", async ({ page, slug, request }) => {
  await childOf(request, slug, { shape: { radius: 11 }, roles: { "text.muted": { light: "#303030" } } });
  await page.goto("/family");
  await page.getByRole("textbox", { name: "Search themes" }).fill(slug);
  await page.getByRole("button", { name: `What to do with Child ${slug}` }).click();
  await page.getByRole("menuitem", { name: "Side by side with …" }).click();
  const dialog = page.getByRole("dialog");
  await expect(dialog).toContainText(/values differ/);
  await dialog.getByRole("textbox", { name: "Search" }).fill("text.muted");
  await expect(dialog.getByRole("row", { name: /text\.muted light/ })).toContainText("#303030");
  const download = page.waitForEvent("download");
  await dialog.getByRole("button", { name: "Download JSON" }).click();
  expect((await download).suggestedFilename()).toMatch(/-to-child-.*\.json$/);
});

test("what the page of all themes asks is found by name, and keys lead back from it", async ({
  page,
  slug,
  request,
}) => {
  const child = await childOf(request, slug);
  await open(page, child, "stave");
  const find = async (words: string) => {
    await page.keyboard.press("Control+k");
    await page.getByRole("textbox", { name: "Find anything" }).fill(words);
    await page.keyboard.press("Enter");
  };
  const asked = [
    ["new child", `New child of Child ${slug}`],
    ["another parent", `The parent of Child ${slug}`],
    ["side by side", `Child ${slug} side by side`],
  ] as const;
  // Enter comes right behind the words, whatever of the list is there by then.
  for (const [words, title] of [...asked, ...asked]) {
    await find(words);
    const dialog = page.getByRole("dialog", { name: title });
    await expect(dialog).toBeVisible();
    await page.keyboard.press("Escape");
    await expect(dialog).toBeHidden();
  }
  await page.keyboard.press("?");
  await expect(page.getByRole("dialog", { name: "Keys" })).toContainText("All themes");
  await page.keyboard.press("Escape");
  await find("petrol.700");
  await expect(page.getByRole("region", { name: "About petrol.700" })).toBeVisible();
  await page.keyboard.press("0");
  await expect(page.getByRole("heading", { name: "All themes", level: 1 })).toBeVisible();
  await page.keyboard.press("1");
  await expect(page).toHaveURL(new RegExp(`/themes/${child}/brand`));
});

test("a child has the forms of its parent, makes one its own by touching it and gives it back", async ({
  page,
  slug,
  request,
}) => {
  const theme = await (await request.get(`/api/themes/${slug}`)).json();
  const form = { file: "scheme.txt", text: '{{ token("primary.fill") }}\n' };
  const done = await request.put(`/api/themes/${slug}`, {
    headers: { "If-Match": `"${theme.revision}"` },
    data: { spec: { ...theme.spec, forms: { scheme: form } }, label: "a form" },
  });
  expect(done.status()).toBe(200);
  const child = await childOf(request, slug);
  await page.goto(`/themes/${child}/handoff?side=forms`);
  const list = page.getByRole("navigation", { name: "Forms" });
  await expect(list.getByRole("button", { name: /^scheme/ })).toContainText(`from ${theme.name}`);
  const pane = page.getByRole("region", { name: "Form scheme" });
  await expect(pane.locator("pre")).toContainText("#0f5c7a");
  await expect(pane.getByRole("button", { name: /^Remove/ })).toHaveCount(0);
  await pane.getByLabel("Text of the form").fill('{{ token("primary.edge") }}\n');
  await pane.getByLabel("Text of the form").blur();
  await saved(page, 2);
  expect((await savedSpec(request, child)).forms.scheme.text).toContain("primary.edge");
  await pane.getByRole("button", { name: /give back to/ }).click();
  await saved(page, 3);
  expect((await savedSpec(request, child)).forms).toBeUndefined();
  await expect(list.getByRole("button", { name: /^scheme/ })).toContainText(`from ${theme.name}`);
});

test("a theme is copied and deleted from the page of all themes", async ({ page, slug, request }) => {
  const child = await childOf(request, slug);
  const { name } = await (await request.get(`/api/themes/${child}`)).json();
  await page.goto(`/family?from=${child}`);
  const search = page.getByRole("textbox", { name: "Search themes" });
  await search.fill(child);
  const rows = page.getByRole("main").getByRole("listitem").filter({ hasText: name });
  const menu = page.getByRole("button", { name: `What to do with ${name}`, exact: true });
  await menu.click();
  await page.getByRole("menuitem", { name: "Duplicate" }).click();
  await expect(page).toHaveURL(/-2\/stave/);

  await page.goto(`/family?from=${child}`);
  await search.fill(child);
  await expect(rows).toHaveCount(2);
  await menu.click();
  await page.getByRole("menuitem", { name: "Delete …" }).click();
  await page.getByRole("dialog").getByRole("button", { name: "Delete", exact: true }).click();
  await expect(page).toHaveURL(/\/family/);
  await expect(rows).toHaveCount(1);
  expect((await request.get(`/api/themes/${child}`)).status()).toBe(404);
});
