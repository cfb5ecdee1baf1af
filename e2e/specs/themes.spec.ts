import type { Page } from "@playwright/test";
import { brandRow, buttonColor, expect, open, openBrand, saved, savedSpec, test } from "./rhodon";

test("create, rename, duplicate, delete and bring back", async ({ page, slug }) => {
  await open(page, slug, "brand");
  const menu = page.getByRole("banner").getByRole("button", { name: "▾" });
  const name = `Tern ${Date.now()}`;

  await menu.click();
  await page.getByRole("menuitem", { name: "New theme …" }).click();
  await page.getByRole("dialog").getByRole("textbox", { name: "Name" }).fill(name);
  const color = page.getByRole("dialog").getByRole("textbox", { name: "Brand colour" });
  await color.fill("nothing");
  await page.getByRole("button", { name: "Create", exact: true }).click();
  await expect(page.getByText("found `nothing`")).toBeVisible();
  await expect(color).toHaveValue("nothing");
  await color.fill("teal");
  await page.getByRole("button", { name: "Create", exact: true }).click();
  await expect(menu).toHaveText(`${name} ▾`);
  await expect(page).toHaveURL(/\/themes\/tern-/);

  await menu.click();
  await page.getByRole("menuitem", { name: "Rename …" }).click();
  await page.getByRole("dialog").getByRole("textbox", { name: "Name" }).fill(`Arctic ${name}`);
  await page.getByRole("button", { name: "Rename", exact: true }).click();
  await saved(page, 2);
  await expect(page).toHaveURL(/\/themes\/arctic-tern-/);

  await menu.click();
  await page.getByRole("menuitem", { name: "Duplicate", exact: true }).click();
  await expect(menu).toHaveText(`Arctic ${name} copy ▾`);

  await menu.click();
  await page.getByRole("menuitem", { name: "Delete …" }).click();
  await page.getByRole("dialog").getByRole("button", { name: "Delete", exact: true }).click();
  await expect(menu).not.toHaveText(`Arctic ${name} copy ▾`);
  await page.getByRole("button", { name: "Bring back" }).click();
  await expect(menu).toHaveText(`Arctic ${name} copy ▾`);
});

/** Goes to another theme by the menu of the one that is open. */
async function goTo(page: Page, name: string) {
  const menu = page.getByRole("banner").getByRole("button", { name: "▾" });
  await menu.click();
  await page.getByRole("menuitem", { name }).first().click();
  await expect(menu).toHaveText(`${name} ▾`);
}

test("a theme one comes back to is the one that was last saved", async ({ page, slug, request }) => {
  await open(page, slug, "brand");
  const { name } = await savedSpec(request, slug);
  const color = page.getByRole("textbox", { name: "Colour", exact: true }).first();
  await page.getByRole("textbox", { name: "Add colours" }).fill("#8a9a2b");
  await page.getByRole("button", { name: "Add colour" }).click();
  await saved(page, 2);
  await goTo(page, "Brindle Sound Ferries");
  await goTo(page, name);
  await saved(page, 2);
  await expect(brandRow(page).getByRole("button", { name: /^Lime/ })).toBeVisible();

  // Changed elsewhere while another theme is open.
  await goTo(page, "Brindle Sound Ferries");
  const spec = await savedSpec(request, slug);
  spec.brand[0].color = "#334455";
  const write = { headers: { "If-Match": '"2"' }, data: { spec, label: "elsewhere" } };
  expect((await request.put(`/api/themes/${slug}`, write)).status()).toBe(200);
  await goTo(page, name);
  await saved(page, 3);
  await expect(color).toHaveValue("#334455");

  // Deleted, and brought back by undo, here and in a window that looks on.
  const other = await page.context().newPage();
  await open(other, slug, "brand");
  await page.getByRole("banner").getByRole("button", { name: "▾" }).click();
  await page.getByRole("menuitem", { name: "Delete …" }).click();
  await page.getByRole("dialog").getByRole("button", { name: "Delete", exact: true }).click();
  const gone = other.getByRole("dialog").filter({ hasText: "deleted" });
  await expect(gone).toBeVisible();
  await page.keyboard.press("Control+z");
  await saved(page, 3);
  await page.keyboard.press("1");
  await expect(color).toHaveValue("#334455");
  await expect(gone).toBeHidden();
  await saved(other, 3);
});

test("a start that is drawn stands below what was typed", async ({ page, slug }) => {
  await open(page, slug, "stave");
  await page.getByRole("banner").getByRole("button", { name: "▾" }).click();
  await page.getByRole("menuitem", { name: "New theme …" }).click();
  const dialog = page.getByRole("dialog", { name: "New theme" });
  const colors = dialog.getByRole("textbox", { name: "Brand colours" });
  await colors.fill("#b23a48 Rust");
  const draw = dialog.getByRole("button", { name: "Draw a start" });
  await draw.click();
  await expect(colors).toHaveValue(/^#b23a48 Rust\n.+: #/);
  const first = await colors.inputValue();
  const again = dialog.getByRole("button", { name: "Draw again" });
  await again.click();
  await expect(colors).not.toHaveValue(first);
  await expect(colors).toHaveValue(/^#b23a48 Rust\n.+: #/);
  const drawn = first.split("\n").slice(1);
  for (const line of drawn) expect(await colors.inputValue()).not.toContain(line);
  // One that is kept stays while the other is drawn again.
  const kept = dialog.getByRole("group", { name: "Kept while the others are drawn again" });
  await expect(kept.getByRole("checkbox")).toHaveCount(2);
  const [, left = "", stays = ""] = (await colors.inputValue()).split("\n");
  await kept.getByRole("checkbox").last().check();
  await again.click();
  await expect(colors).not.toHaveValue(new RegExp(left));
  await expect(colors).toHaveValue(new RegExp(`^#b23a48 Rust\n.+: #.+\n${stays}$`));
  await expect(kept.getByRole("checkbox").last()).toBeChecked();
  const read = dialog.getByRole("list", { name: "What was read" });
  await expect(read.getByRole("listitem").first()).toHaveText(/Rust #b23a48/);
});

test("a theme starts with a pasted list, each colour shown as it is read", async ({
  page,
  slug,
  request,
}) => {
  await open(page, slug, "brand");
  await page.getByRole("banner").getByRole("button", { name: "▾" }).click();
  await page.getByRole("menuitem", { name: "New theme …" }).click();
  const dialog = page.getByRole("dialog", { name: "New theme" });
  const name = `List ${Date.now()}`;
  await dialog.getByRole("textbox", { name: "Name" }).fill(name);
  const colors = dialog.getByRole("textbox", { name: "Brand colours" });
  await colors.fill("#1b4965; #1b4966\nHeather: rgb(122 75 143), zz");
  const read = dialog.getByRole("list", { name: "What was read" });
  await expect(read.getByRole("listitem")).toHaveText([
    /Deep blue #1b4965/,
    /Deep blue #1b4966/,
    /Heather rgb\(122 75 143\)/,
    /zz: expected a CSS colour name/,
  ]);
  const seen = read.getByRole("listitem").nth(2).locator("[style]");
  await expect(seen).toHaveCSS("background-color", "rgb(122, 75, 143)");
  await dialog.getByRole("button", { name: "Create" }).click();
  await expect(dialog.getByText("One colour was not read; mend or remove it")).toBeVisible();
  await expect(colors).toHaveValue(/zz$/);
  await colors.fill("#1b4965; #1b4966\nHeather: rgb(122 75 143)");
  await colors.press("Enter");
  await expect(page).toHaveURL(/\/themes\/list-/);
  const made = page.url().match(/themes\/([^/]+)/)?.[1] ?? "";
  const names = (await savedSpec(request, made)).brand.map((b: { name: string }) => b.name);
  expect(names).toEqual(["Deep blue", "Deep blue 2", "Heather"]);
});

test("a theme that others extend says so instead of going", async ({ page }) => {
  await page.goto("/themes/brindle-sound-ferries/stave");
  await page.getByRole("banner").getByRole("button", { name: "▾" }).click();
  await page.getByRole("menuitem", { name: "Delete …" }).click();
  const dialog = page.getByRole("dialog", { name: "Delete Brindle Sound Ferries?" });
  await expect(dialog).toContainText("It cannot go while these extend it:");
  await expect(dialog.getByRole("listitem")).toHaveText([/Night Crossing|Brindle Freight/, /Night|Freight/]);
  await expect(dialog.getByRole("button", { name: "Set them free and delete" })).toBeVisible();
  await dialog.getByRole("button", { name: "Keep it" }).click();
  await expect(dialog).toBeHidden();
});

test("brand colours are added, moved and removed", async ({ page, slug }) => {
  await open(page, slug, "brand");
  await page.getByRole("textbox", { name: "Add colours" }).fill("#8a9a2b");
  await page.getByRole("button", { name: "Add colour" }).click();
  await saved(page, 2);
  const colors = brandRow(page).getByRole("button");
  await expect(colors.nth(2)).toContainText("accent");
  await openBrand(page, "Buoy");
  await page.getByRole("button", { name: "Move Buoy earlier" }).click();
  await saved(page, 3);
  await expect(colors.first()).toContainText("Buoy");
  await expect(colors.first()).toContainText("primary");
  await openBrand(page, "Petrol");
  await page.getByRole("button", { name: "Remove Petrol" }).click();
  await saved(page, 4);
  // The place to add one is the last.
  await expect(colors).toHaveCount(3);
  await page.getByRole("button", { name: "Undo" }).click();
  await saved(page, 3);
  await expect(colors).toHaveCount(4);
});

test("a clash shows both sides and overwrites nothing unasked", async ({ page, slug, request }) => {
  await open(page, slug, "brand");
  const theme = await (await request.get(`/api/themes/${slug}`)).json();
  theme.spec.brand[0].color = "#334455";
  const write = { headers: { "If-Match": '"1"' }, data: { spec: theme.spec, label: "the other window" } };

  // A draft is open when the other window saves: it is not taken away.
  const field = page.getByRole("textbox", { name: "Colour", exact: true }).first();
  await field.fill("#7a4b8f");
  await expect.poll(() => buttonColor(page, "light")).toBe("rgb(122, 75, 143)");
  expect((await request.put(`/api/themes/${slug}`, write)).status()).toBe(200);
  await field.press("Enter");
  const dialog = page.getByRole("dialog", { name: "This was changed elsewhere too" });
  await expect(dialog).toContainText("the other window");
  await expect(dialog).toContainText(/Petrol: #[0-9a-f]{6} → #7a4b8f/);
  await expect(dialog.getByRole("row", { name: /colour of petrol/ })).toHaveText(
    "colour of petrol #334455 #7a4b8f",
  );
  await expect(page.getByText(/rev [12] · not saved/)).toBeVisible();
  await dialog.getByRole("button", { name: "Save mine on top" }).click();
  await saved(page, 3);
  const revisions = await (await request.get(`/api/themes/${slug}/revisions`)).json();
  expect(revisions.map((r: { label: string }) => r.label)).toEqual([
    // What it came from depends on whether the other window was heard of first.
    expect.stringMatching(/^Petrol: #(0f5c7a|334455) → #7a4b8f$/),
    "the other window",
    "created",
  ]);
});

test("an address that leads nowhere says so", async ({ page, faults }) => {
  await page.goto("/themes/nobody/stave");
  await expect(page.getByRole("heading", { name: "There is no such theme" })).toBeVisible();
  await page.getByRole("link", { name: "All themes" }).click();
  await expect(page.getByRole("button", { name: /New theme/ })).toBeVisible();
  await page.goto("/harbour/pilot");
  await expect(page.getByText("Nothing has the address /harbour/pilot.")).toBeVisible();
  await page.goto("/themes/brindle-sound-ferries/harbour");
  await page.getByRole("link", { name: "Stave of this theme" }).click();
  await expect(page.getByRole("slider").first()).toBeVisible();
  // What is left where the end of an address is taken away.
  await page.goto("/themes");
  await expect(page).toHaveURL(/\/family$/);
  // The router also tells the console; that is its way and no fault.
  faults.length = 0;
});
