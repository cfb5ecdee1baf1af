// What a newcomer ran into: nothing lost, nothing told wrong, nothing stuck.
import type { Page } from "@playwright/test";
import { expect, half, open, openBrand, openSource, pinStep, saved, savedSpec, test } from "./rhodon";

test("a removed colour takes what hangs on it along, and later changes go on", async ({
  page,
  slug,
  request,
}) => {
  const spec = await savedSpec(request, slug);
  for (const [name, color] of [
    ["Lichen", "#8a9a2b"],
    ["Heather", "#7a4b8f"],
  ]) {
    spec.brand.push({ name, slug: name?.toLowerCase(), color });
  }
  spec.roles = { "heather.fill": { light: "#552266" } };
  const headers = { "If-Match": '"1"' };
  await request.put(`/api/themes/${slug}`, { headers, data: { spec, label: "four colours" } });
  await open(page, slug, "brand");
  await openBrand(page, "Heather");
  await page.getByRole("button", { name: "Remove Heather" }).click();
  const dialog = page.getByRole("dialog", { name: "Remove Heather?" });
  await expect(dialog.getByRole("listitem")).toHaveText(["the role heather.fill, set by hand, goes"]);
  await dialog.getByRole("button", { name: "Remove Heather" }).click();
  await saved(page, 3);
  expect((await savedSpec(request, slug)).roles).toBeUndefined();
  await openBrand(page, "Buoy");
  await page.getByRole("button", { name: "Move Buoy earlier" }).click();
  await saved(page, 4);
  // The colour that was acted on stays open.
  await expect(page.getByRole("button", { name: "Move Buoy later" })).toBeVisible();
});

test("two windows that change different things keep both", async ({ page, context, slug, request }) => {
  const other = await context.newPage();
  await open(page, slug, "brand");
  await open(other, slug, "brand");
  await page.route("**/api/themes/*", async (route) => {
    await new Promise((go) => setTimeout(go, 300));
    await route.continue();
  });
  const field = (window: typeof page) => window.getByRole("textbox", { name: "Colour", exact: true });
  await openBrand(other, "Buoy");
  await field(page).fill("#112233");
  await field(other).fill("#445566");
  await field(page).press("Enter");
  await field(other).press("Enter");
  await saved(page, 3);
  await saved(other, 3);
  await expect(page.getByRole("dialog")).toBeHidden();
  const codes = (await savedSpec(request, slug)).brand.map((b: { color: string }) => b.color);
  expect(codes).toEqual(["#112233", "#445566"]);
  await openBrand(page, "Buoy");
  await expect(field(page)).toHaveValue("#445566");
});

/** Deletes the theme at hand by the menu. */
async function remove(page: Page, slug: string) {
  await page.getByRole("banner").getByRole("button", { name: "▾" }).click();
  await page.getByRole("menuitem", { name: "Delete …" }).click();
  await page.getByRole("dialog").getByRole("button", { name: "Delete", exact: true }).click();
  await expect(page).not.toHaveURL(new RegExp(slug));
  await expect(page).toHaveURL(/\/themes\//);
}

test("a deleted theme is told to other windows, and comes back by keys", async ({
  page,
  context,
  slug,
  request,
}) => {
  await open(page, slug, "stave");
  const other = await context.newPage();
  await open(other, slug, "stave");
  await remove(page, slug);
  await expect(other.getByRole("dialog", { name: "This theme was deleted elsewhere" })).toBeVisible();
  await expect(other.getByText("rev 1 · deleted")).toBeVisible();
  // Undo means the deletion, never a change of the theme that one landed in.
  const landed = new URL(page.url()).pathname.split("/")[2];
  const before = await (await request.get(`/api/themes/${landed}`)).json();
  await expect(half(page, "light").getByRole("heading").first()).toBeVisible();
  await page.keyboard.press("Control+z");
  await expect(page).toHaveURL(new RegExp(slug));
  const after = await (await request.get(`/api/themes/${landed}`)).json();
  expect(after.revision).toBe(before.revision);
});

test("deleted themes have a place, and go for good only after a question", async ({
  page,
  slug,
  request,
}) => {
  await open(page, slug, "stave");
  const { name } = await (await request.get(`/api/themes/${slug}`)).json();
  const list = page.getByRole("dialog", { name: "Deleted themes" });
  const row = list.getByRole("row").filter({ hasText: name });
  const openList = async () => {
    await page.getByRole("banner").getByRole("button", { name: "▾" }).click();
    await page.getByRole("menuitem", { name: "Deleted themes …" }).click();
  };
  await remove(page, slug);
  await openList();
  await row.getByRole("button", { name: "Bring back" }).click();
  await expect(page).toHaveURL(new RegExp(slug));
  await remove(page, slug);
  await openList();
  await row.getByRole("button", { name: "Delete for good …" }).click();
  await row.getByRole("button", { name: "Delete for good", exact: true }).click();
  await expect(row).toBeHidden();
});

test("anything is found by a part of its name", async ({ page, slug }) => {
  await open(page, slug, "brand");
  const find = async (words: string) => {
    await page.keyboard.press("Control+k");
    await page.getByRole("textbox", { name: "Find anything" }).fill(words);
  };
  await find("danger.fill-h");
  await page.getByRole("button", { name: "danger.fill-hover" }).click();
  await expect(page.getByRole("region", { name: "About danger.fill-hover" })).toBeVisible();
  await page.getByRole("heading", { name: "Proof" }).click();
  await find("scss");
  await page.keyboard.press("Enter");
  await expect(page).toHaveURL(/handoff\?.*target=/);
  await page.getByRole("heading", { name: "Proof" }).click();
  await find("dark alone");
  await page.keyboard.press("Enter");
  await expect(page).toHaveURL(/proof=dark/);
});

test("every key stands on a sheet", async ({ page, slug }) => {
  await open(page, slug, "stave");
  await page.keyboard.press("?");
  const sheet = page.getByRole("dialog", { name: "Keys" });
  for (const line of ["Undo", "Find anything", "Handoff"]) {
    await expect(sheet.getByText(line, { exact: true }).first()).toBeVisible();
  }
  await page.keyboard.press("Escape");
  await page.keyboard.press("3");
  await expect(page).toHaveURL(/ledger/);
});

test("a number is typed freely and judged at the end, with its range told", async ({
  page,
  slug,
  request,
}) => {
  await open(page, slug, "brand");
  await openSource(page, "type and shape");
  const size = page.getByRole("textbox", { name: "Size, px" });
  await size.fill("");
  await size.pressSequentially("18");
  await expect(size).toHaveValue("18");
  await size.press("Enter");
  await saved(page, 2);
  expect((await savedSpec(request, slug)).type).toEqual({ base: 18 });
  await size.fill("99999");
  await size.press("Enter");
  await expect(page.getByText("expected a number from 8 to 32; 18 holds")).toBeVisible();
  await expect(size).toHaveValue("99999");
  await expect(page.getByText("rev 2 · saved")).toBeVisible();
});

test("a bad slug marks the field of the slug, and hex without # is taken by the ledger", async ({
  page,
  slug,
  request,
}) => {
  await open(page, slug, "brand");
  const field = page.getByRole("textbox", { name: "Slug of Petrol" });
  await field.fill("Not A Slug");
  await field.press("Enter");
  await expect(field).toHaveAttribute("aria-invalid", "true");
  await expect(field).toHaveValue("Not A Slug");
  await expect(page.getByText(/expected a slug of lower-case letters/)).toBeVisible();
  await expect(page.getByText("rev 1 · saved")).toBeVisible();
  await page.keyboard.press("Escape");
  await page.goto(`/themes/${slug}/ledger?token=link.rest`);
  await page.getByRole("textbox", { name: "Search tokens" }).fill("link.rest");
  const row = page.getByRole("row", { name: /^link\.rest/ });
  await row.getByRole("button", { name: "petrol.600" }).click();
  await page.getByRole("combobox", { name: "link.rest, light" }).fill("0a4a66");
  await page.keyboard.press("Enter");
  await saved(page, 2);
  expect((await savedSpec(request, slug)).roles).toEqual({ "link.rest": { light: "#0a4a66" } });
});

test("an undo says what it undid", async ({ page, slug }) => {
  await open(page, slug, "stave");
  await pinStep(page, "Petrol 100");
  await saved(page, 2);
  await page.keyboard.press("Control+z");
  await saved(page, 1);
  await expect(page.getByRole("contentinfo")).toContainText(/^undone: Petrol 100: pinned/);
});

test("pairs below their limit lead to the tokens at fault", async ({ page, slug, request }) => {
  const spec = await savedSpec(request, slug);
  spec.roles = { "text.muted": { light: "#c0c0c0" } };
  const headers = { "If-Match": '"1"' };
  await request.put(`/api/themes/${slug}`, { headers, data: { spec, label: "too pale" } });
  await page.goto(`/themes/${slug}/stave`);
  await page.getByRole("button", { name: /^\d+ pairs below their limit/ }).click();
  await expect(page).toHaveURL(/ledger\?.*failing=true/);
  await expect(page.getByRole("checkbox", { name: "below a limit" })).toBeChecked();
  await expect(page.getByRole("row", { name: /^text\.muted/ })).toBeVisible();
});

test("comparing shows both modes where both are chosen", async ({ page, slug }) => {
  await page.goto(`/themes/${slug}/stave?against=night-crossing`);
  await expect(page.locator("iframe[title$='light']")).toHaveCount(2);
  await expect(page.locator("iframe[title$='dark']")).toHaveCount(2);
});

test("an inherited token is changed in one mode, the other stays the parent's", async ({
  page,
  slug,
  request,
}) => {
  const parent = await savedSpec(request, slug);
  parent.tokens = { "ferry.wake": { light: "#112233", dark: "#aabbcc" } };
  const headers = { "If-Match": '"1"' };
  await request.put(`/api/themes/${slug}`, { headers, data: { spec: parent, label: "own token" } });
  const child = { format: 1, name: `Child ${Date.now()}`, extends: slug };
  const made = await (await request.post("/api/themes", { data: { spec: child } })).json();
  await page.goto(`/themes/${made.slug}/ledger`);
  await page.getByRole("textbox", { name: "Search tokens" }).fill("ferry.wake");
  const row = page.getByRole("row", { name: /^ferry\.wake/ });
  await row.getByRole("button", { name: "#aabbcc" }).click();
  await page.getByRole("combobox", { name: "ferry.wake, dark" }).fill("#ddeeff");
  await page.keyboard.press("Enter");
  await saved(page, 2);
  expect((await savedSpec(request, made.slug)).tokens).toEqual({ "ferry.wake": { dark: "#ddeeff" } });
  await expect(row).toContainText("#112233");
});
