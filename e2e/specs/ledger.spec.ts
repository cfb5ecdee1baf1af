import { expect, half, open, saved, savedSpec, test } from "./rhodon";

test("a role is edited in place, refused in place, and set back", async ({ page, slug }) => {
  await open(page, slug, "ledger");
  await page.getByRole("textbox", { name: "Search tokens" }).fill("link.rest");
  const row = page.getByRole("row", { name: /^link\.rest/ });
  await row.getByRole("button", { name: "petrol.600" }).click();
  const field = page.getByRole("combobox", { name: "link.rest, light" });
  await expect(field).toHaveValue("{petrol.600}");
  await field.fill("{petrol.650}");
  await field.press("Enter");
  await expect(page.getByRole("alert")).toContainText('no token "petrol.650"');
  await expect(field).toHaveValue("{petrol.650}");
  await field.fill("{petrol.800}");
  await field.press("Enter");
  await saved(page, 2);
  await expect(row).toContainText("petrol.800");
  await expect(row).toContainText("set, derived");
  await row.getByRole("button", { name: "link.rest, light: back to derived" }).click();
  await saved(page, 3);
  await expect(row).toContainText("petrol.600");
});

test("own tokens and intents are added and exported, a circle is spelt out", async ({ page, slug }) => {
  await open(page, slug, "ledger");
  const path = page.getByRole("textbox", { name: "Path of the new token" });
  const value = page.getByRole("combobox", { name: "Value, or value in light" });
  const add = page.getByRole("button", { name: "Add", exact: true });
  await path.fill("ferry.wake");
  await value.fill("{petrol.100}");
  await page.getByRole("combobox", { name: "Value in dark" }).fill("{petrol.900}");
  await add.click();
  await saved(page, 2);
  // The path of a token as the ledger shows it refers to that token, braces or not; one that is not there is told.
  await path.fill("ferry.foam");
  await value.fill("petrol.6000");
  await add.click();
  await expect(page.getByText('no token "petrol.6000"')).toBeVisible();
  await expect(value).toHaveValue("petrol.6000");
  await value.fill("ferry.wake");
  await add.click();
  await saved(page, 3);

  await page.getByRole("textbox", { name: "Search tokens" }).fill("ferry.wake");
  const row = page.getByRole("row", { name: /^ferry\.wake/ });
  await row.getByRole("button", { name: "petrol.100" }).click();
  const field = page.getByRole("combobox", { name: "ferry.wake, light" });
  await field.fill("{ferry.foam}");
  await field.press("Enter");
  await expect(page.getByRole("alert")).toContainText(/ferry\.(wake|foam) → ferry\.(foam|wake) → ferry/);
  await field.press("Escape");

  await page.getByRole("combobox", { name: "What to add" }).selectOption("intent");
  await page.getByRole("textbox", { name: "Name of the new intent" }).fill("boarding");
  await page.getByRole("combobox", { name: "Its scale" }).selectOption("buoy");
  await add.click();
  await saved(page, 4);
  await page.getByRole("link", { name: /Handoff/ }).click();
  const file = page.getByRole("region", { name: "theme.css" });
  await expect(file).toContainText("--ferry-foam: var(--ferry-wake);");
  await expect(file).toContainText("--boarding-fill: var(--buoy-400);");
});

test("filters narrow the list, and a token tells why and where it is used", async ({ page, slug }) => {
  await open(page, slug, "ledger");
  const count = page.getByText(/^\d+ of \d+$/);
  await expect(count).not.toHaveText(/ of 0$/);
  const all = Number((await count.innerText()).split(" of ")[1]);
  await page.getByRole("combobox", { name: "Group" }).selectOption("chart");
  await expect(count).toHaveText(`8 of ${all}`);
  await page.getByRole("combobox", { name: "Group" }).selectOption("");
  await page.getByRole("combobox", { name: "Origin" }).selectOption("set");
  await expect(count).toHaveText(new RegExp(`^[1-9]\\d? of ${all}$`));
  await page.getByRole("combobox", { name: "Origin" }).selectOption("");
  await page.getByRole("textbox", { name: "Search tokens" }).fill("nothing like it");
  await expect(page.getByText("No token fits. Clear a filter.")).toBeVisible();
  await page.getByRole("textbox", { name: "Search tokens" }).fill("primary.edge");
  await page.getByRole("rowheader", { name: "primary.edge" }).getByRole("button").click();
  const about = page.getByRole("region", { name: "About primary.edge" });
  await expect(about).toContainText("Petrol itself has 3 : 1 where it is used");
  await expect(about.getByRole("button", { name: "focus.ring" })).toBeVisible();
  await expect(about).toContainText("on surface.sunken light");
});

test("a pointer on the proof names the tokens, a click leads to them", async ({ page, slug }) => {
  await open(page, slug, "stave");
  const badge = half(page, "light").getByText("Cancelled");
  await badge.hover();
  await expect(page.getByText("danger.tint-text", { exact: true })).toBeVisible();
  await expect(page.getByText("danger.tint", { exact: true })).toBeVisible();
  await badge.click();
  await expect(page).toHaveURL(/ledger\?.*token=danger\.tint/);
  await expect(page.getByRole("region", { name: "About danger.tint" })).toBeVisible();
});

test("tokens are shown and found by their names in the target at hand", async ({ page, slug }) => {
  await open(page, slug, "ledger");
  await page.getByLabel("Names as in").selectOption({ label: "Sass module" });
  await page.getByLabel("Search tokens").fill("primary-fill-hover");
  const row = page.getByRole("row", { name: /\$primary-fill-hover/ });
  await expect(row).toBeVisible();
  await page.getByLabel("Names as in").selectOption({ label: "Android resources" });
  await page.getByLabel("Search tokens").fill("@color/link_rest");
  await expect(page.getByText(/^1 of \d+$/)).toBeVisible();
  await page.getByRole("button", { name: "@color/link_rest" }).click();
  await page
    .getByRole("region", { name: "About link.rest" })
    .getByRole("button", { name: "@color/link_rest" })
    .click();
  expect(await page.evaluate(() => navigator.clipboard.readText())).toBe("@color/link_rest");
  // The handoff opens with the same target.
  await page.getByRole("link", { name: /^Handoff/ }).click();
  await expect(page.getByRole("heading", { name: "Android resources" })).toBeVisible();
});

test("setting the step that is a brand colour itself asks what is meant", async ({ page, slug, request }) => {
  await open(page, slug, "ledger");
  await page.getByRole("textbox", { name: "Search tokens" }).fill("petrol.600");
  const row = page.getByRole("row", { name: /^petrol\.600/ });
  await row.getByRole("button", { name: "#0f5c7a" }).first().click();
  const field = page.getByRole("combobox", { name: "petrol.600, light" });
  await field.fill("146080");
  await field.press("Enter");
  const asked = page.getByRole("group", { name: "petrol.600 is Petrol itself" });
  await expect(asked).toBeVisible();
  await asked.getByRole("button", { name: "change Petrol" }).click();
  await saved(page, 2);
  const theme = await (await request.get(`/api/themes/${slug}`)).json();
  expect(theme.spec.brand[0].color).toBe("#146080");
  expect(theme.spec.scales).toBeUndefined();
});

test("the ledger shows only tokens with a finding", async ({ page, slug }) => {
  const theme = await (await page.request.get(`/api/themes/${slug}`)).json();
  const spec = { ...theme.spec, roles: { "primary.fill-hover": { light: "{petrol.600}" } } };
  const data = { spec, label: "damaged" };
  await page.request.put(`/api/themes/${slug}`, { headers: { "If-Match": `"${theme.revision}"` }, data });
  await open(page, slug, "ledger");
  await page.getByLabel("with a finding").check();
  await expect(page.getByRole("row", { name: /^primary\.fill-hover/ })).toBeVisible();
  await expect(page.getByRole("row", { name: /^surface\.base/ })).toHaveCount(0);
});

test("several tokens are marked and set at once, as one revision, and given back", async ({
  page,
  slug,
  request,
}) => {
  await open(page, slug, "ledger");
  await page.getByRole("textbox", { name: "Search tokens" }).fill("link.");
  const name = (path: string) =>
    page.getByRole("row", { name: path, exact: true }).getByRole("button").first();
  await name("link.rest").click({ modifiers: ["Control"] });
  await name("link.pressed").click({ modifiers: ["Shift"] });
  const many = page.getByRole("form", { name: "Marked tokens" });
  await expect(many).toContainText("3 tokens marked");
  await many.getByRole("combobox", { name: "Light" }).fill("sea");
  await many.getByRole("button", { name: "Set all" }).click();
  await expect(many.getByRole("alert")).toContainText("expected");
  await expect(many.getByRole("combobox", { name: "Light" })).toHaveValue("sea");
  await many.getByRole("combobox", { name: "Light" }).fill("{petrol.800}");
  await many.getByRole("button", { name: "Set all" }).click();
  await saved(page, 2);
  expect((await savedSpec(request, slug)).roles).toEqual({
    "link.rest": { light: "{petrol.800}" },
    "link.hover": { light: "{petrol.800}" },
    "link.pressed": { light: "{petrol.800}" },
  });
  await many.getByRole("button", { name: "Back to derived" }).click();
  await saved(page, 3);
  expect((await savedSpec(request, slug)).roles ?? {}).toEqual({});
  await many.getByRole("button", { name: "Let go" }).click();
  await expect(many).toBeHidden();
});

test("the ledger is walked by keys like any table, and its columns are chosen", async ({ page, slug }) => {
  await open(page, slug, "ledger");
  const focused = () =>
    page.evaluate(() => document.activeElement?.closest("tr")?.getAttribute("aria-label"));
  await page.getByRole("row", { name: "petrol.50", exact: true }).getByRole("button").first().focus();
  await page.keyboard.press("ArrowDown");
  await expect.poll(focused).toBe("petrol.100");
  await page.keyboard.press("Control+End");
  await expect.poll(focused).toMatch(/^shape\./);
  await page.keyboard.press("Control+Home");
  await expect.poll(focused).toBe("petrol.50");
  await page.keyboard.press("ArrowRight");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("combobox", { name: "petrol.50, light" })).toBeFocused();
  await page.keyboard.press("Escape");

  const head = (name: string) => page.getByRole("columnheader", { name, exact: true });
  await expect(head("Origin")).toBeVisible();
  await page.getByRole("button", { name: "Columns", exact: true }).click();
  await page.getByRole("checkbox", { name: "Origin" }).uncheck();
  await page.getByRole("checkbox", { name: "Custom property" }).check();
  await page.keyboard.press("Escape");
  await page.reload();
  await expect(head("Custom property")).toBeVisible();
  await expect(head("Origin")).toBeHidden();
  await expect(page.getByRole("row", { name: "petrol.50", exact: true })).toContainText("--petrol-50");
});

test("a token that the finder leads to has the keys, before and after it is edited", async ({
  page,
  slug,
  request,
}) => {
  await open(page, slug, "stave");
  await page.keyboard.press("3");
  const search = page.getByRole("textbox", { name: "Search tokens" });
  await expect(search).toBeVisible();
  await expect(page.getByRole("main")).toBeFocused();
  await page.keyboard.press("Tab");
  await expect(search).toBeFocused();
  await page.keyboard.press("Control+k");
  await page.keyboard.type("link.rest");
  await page.keyboard.press("Enter");
  const row = page.getByRole("row", { name: "link.rest" });
  await expect(row.getByRole("button", { name: "petrol.600" })).toBeFocused();
  // Rows begin whole under the head.
  const top = await page.getByRole("columnheader", { name: "Token" }).evaluate((head) => {
    const end = head.getBoundingClientRect().bottom;
    const rows = [...document.querySelectorAll("tr[data-index]")].map((r) => r.getBoundingClientRect().top);
    return Math.min(...rows.map((y) => Math.abs(y - end)));
  });
  expect(top).toBeLessThan(3);

  await page.keyboard.press("Enter");
  await page.keyboard.type("petrol.700");
  await page.keyboard.press("Enter");
  await saved(page, 2);
  await expect(row.getByRole("button", { name: "petrol.700" })).toBeFocused();
  expect((await savedSpec(request, slug)).roles["link.rest"]).toEqual({ light: "{petrol.700}" });
  await page.keyboard.press("ArrowRight");
  await page.keyboard.press("Enter");
  await page.keyboard.type("bluish");
  await page.keyboard.press("Enter");
  await expect(row.getByRole("alert")).toContainText("found `bluish`");
  await page.keyboard.press("Escape");
  await expect(row.getByRole("button", { name: "petrol.300" })).toBeFocused();
});
