import { expect, open, saved, test } from "./rhodon";

test("a theme is published, behind after a change, published anew and withdrawn", async ({
  page,
  slug,
  request,
}) => {
  await open(page, slug, "handoff");
  await page.getByRole("navigation", { name: "Sides of the handoff" }).getByText("sites").click();
  const side = page.getByRole("region", { name: "Published" });
  await expect(side).toContainText("Nothing of this theme is current.");
  await side.getByRole("button", { name: "Publish", exact: true }).click();
  await expect(side).toContainText("As the theme is now.");
  const first = await side.getByRole("link").first().getAttribute("href");
  const sheet = await request.get(first ?? "");
  expect(sheet.headers()["cache-control"]).toContain("immutable");
  expect(await sheet.text()).toContain("--petrol-600: #0f5c7a");

  await page.getByRole("link", { name: /^Brand/ }).click();
  const code = page.getByRole("textbox", { name: "Colour", exact: true });
  await code.fill("#b3123a");
  await code.press("Enter");
  await saved(page, 2);
  await page.getByRole("link", { name: /^Handoff/ }).click();
  await expect(side).toContainText("The theme has changed since: it is at revision 2.");
  await side.getByRole("button", { name: "Publish revision 2" }).click();
  await expect(side.getByRole("list", { name: "Every file" }).getByRole("listitem")).toHaveCount(2);
  // What a page loaded before is there as it was.
  expect(await (await request.get(first ?? "")).text()).toContain("#0f5c7a");
  await side.getByRole("button", { name: "Withdraw" }).click();
  await expect(side).toContainText("Nothing of this theme is current.");
});

test("a site takes what it has slots for, shows the theme and goes back to what it showed", async ({
  page,
  slug,
  request,
}) => {
  // A host takes names of at most forty letters.
  const theme = await (await request.get(`/api/themes/${slug}`)).json();
  const name = `Site ${Date.now()}`;
  const data = { spec: { ...theme.spec, name }, label: "named" };
  const named = await request.put(`/api/themes/${slug}`, { headers: { "if-match": '"1"' }, data });
  const own = (await named.json()).slug;
  await open(page, own, "handoff");
  await page.getByRole("navigation", { name: "Sides of the handoff" }).getByText("sites").click();
  const sites = page.getByRole("region", { name: "Sites", exact: true });
  const row = (slot: string) => sites.getByRole("row", { name: new RegExp(`^${slot} `) });
  await expect(row("action")).toContainText("#0f5c7a");
  // Chosen by hand, told where it does not fit, and remembered.
  const line = sites.getByRole("combobox", { name: "What line takes" });
  await line.fill("backdrop.fill");
  await line.blur();
  await expect(row("line")).toContainText("see-through");
  await line.fill("border.strong");
  await line.blur();
  await expect(row("line")).toContainText(/#[0-9a-f]{6}/);
  // Everybody who opens the theme sees the choice, in whatever browser.
  await page.evaluate(() => localStorage.clear());
  await page.reload();
  await expect(line).toHaveValue("border.strong");

  await sites.getByRole("button", { name: "Publish and register" }).click();
  await expect(sites.getByRole("status")).toContainText(`${name} is registered`);
  const anlow = sites.getByRole("listitem").filter({ hasText: "Port Anlow" });
  await expect(anlow).toContainText("shows Harbour 2024");
  await anlow.getByRole("button", { name: "Replace" }).click();
  await expect(sites.getByRole("status")).toContainText(`Port Anlow shows ${name}: its page was read back`);
  const shown = await (await request.get(`${process.env.RHODON_SERVICES}/sites/port-anlow/page`)).text();
  expect(shown).toMatch(/href="http:[^"]*\/published\/site-[^"]*\.css"/);
  // The page itself, in a frame in which nothing runs.
  await anlow.getByRole("button", { name: "See its page" }).click();
  const seen = anlow.frameLocator("iframe");
  await expect(seen.getByRole("heading", { name: "Sailings today" })).toBeVisible();
  await expect(seen.locator("header")).toHaveCSS("background-color", "rgb(15, 92, 122)");
  const framed = await request.get("/api/sites/port-anlow/page");
  expect(framed.headers()["content-security-policy"]).toMatch(/^sandbox; default-src 'none'/);
  expect(await framed.text()).toContain("<base href=");
  expect((await request.get("/api/sites/nowhere/page")).status()).toBe(404);

  // Renamed while a site shows it: its old name is told, and deleting it says who shows it.
  const newer = { spec: { ...theme.spec, name: `${name} again` }, label: "renamed" };
  await request.put(`/api/themes/${own}`, { headers: { "if-match": "*" }, data: newer });
  await expect(anlow).toContainText(`shows ${name}, as this theme was called before`);
  await expect(sites).toContainText(`it was registered as ${name}`);
  await page.getByRole("button", { name: new RegExp(`^${name} again`) }).click();
  await page.getByRole("menuitem", { name: "Delete …" }).click();
  const asked = page.getByRole("dialog", { name: /^Delete/ });
  await expect(asked).toContainText("Port Anlow shows it and will go on doing so");
  await asked.getByRole("button", { name: "Keep it" }).click();
  await anlow.getByRole("button", { name: "Bring Harbour 2024 back" }).click();
  await expect(anlow).toContainText("shows Harbour 2024");
  await expect(sites.getByRole("status")).toContainText("shows it within a minute");
});
