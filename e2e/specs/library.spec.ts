import { readFileSync } from "node:fs";
import { buttonColor, expect, half, open, openSource, saved, savedSpec, test } from "./rhodon";

const services = process.env.RHODON_SERVICES ?? "";

test("a shared set is tried, the next one too, and kept; nothing is saved before", async ({
  page,
  slug,
  request,
}) => {
  await open(page, slug, "brand");
  await openSource(page, "library");
  const painted = () => buttonColor(page, "light");
  const petrol = await painted();
  const library = page.getByRole("region", { name: "Library" });
  await library.getByText("shared by others").click();
  await library.getByRole("searchbox").fill("kelp");
  const tries = library.getByRole("button", { name: /^Try Kelp/ });
  await expect(tries).toHaveCount(16);
  const before = (await savedSpec(request, slug)).brand;
  await tries.first().click();
  await tries.first().press("ArrowDown");
  await expect(tries.nth(1)).toBeFocused();
  const codes = (await tries.nth(1).getAttribute("aria-label"))?.match(/#[0-9a-f]{6}/g) ?? [];
  await expect.poll(painted).not.toBe(petrol);
  expect((await savedSpec(request, slug)).brand).toEqual(before);
  await library.getByRole("button", { name: "Back" }).click();
  await expect.poll(painted).toBe(petrol);
  await tries.nth(1).click();
  await library.getByRole("button", { name: "Keep on the theme" }).click();
  await saved(page, 2);
  const { brand } = await savedSpec(request, slug);
  expect(brand[0]).toMatchObject({ color: codes[0], from: { kind: "set" } });
});

test("the brand is kept as a set, found by its colours, shared, written to a file and forgotten", async ({
  page,
  slug,
}) => {
  await open(page, slug, "brand");
  await openSource(page, "library");
  const library = page.getByRole("region", { name: "Library" });
  const form = page.getByRole("form", { name: "Keep a set" });
  await form.getByLabel("Keep this brand as").fill(`Harbour ${slug}`);
  await form.getByLabel("Words").fill("harbour test");
  await form.getByRole("button", { name: /^Keep \d colours?/ }).click();
  const mine = library.getByRole("button", { name: new RegExp(`^Try Harbour ${slug}`) });
  await expect(mine).toBeVisible();
  await library.getByRole("combobox", { name: "Near to" }).selectOption("brand");
  await expect(library.locator("[data-strip]").first()).toHaveAccessibleName(new RegExp(`Harbour ${slug}`));
  await mine.click();
  // Nobody's set is not shared, and the reason stands beside the button.
  await library.getByRole("button", { name: "Share" }).click();
  await expect(library.getByRole("alert")).toContainText("expected a name of who shares it");
  const download = page.waitForEvent("download");
  await library.getByRole("link", { name: "text palette" }).click();
  const file = readFileSync(await (await download).path(), "utf8");
  expect(file).toContain("15  92 122\tPetrol");
  await library.getByRole("button", { name: "Forget …" }).click();
  await library.getByRole("button", { name: "Forget for good" }).click();
  await expect(mine).toBeHidden();
});

test("services in trouble are told in a sentence, and the rest works", async ({ page, slug, request }) => {
  const trouble = async (kind: string) => {
    expect((await request.put(`${services}/trouble`, { data: { kind } })).status()).toBe(204);
  };
  const library = page.getByRole("region", { name: "Library" });
  await trouble("failing");
  try {
    await open(page, slug, "brand");
    await openSource(page, "library");
    await library.getByText("shared by others").click();
    await expect(library.getByRole("alert")).toHaveText("The community refused: trouble on request.");
    await openSource(page, "type and shape");
    await expect(page.getByText("The font service refused: trouble on request.")).toBeVisible();
    await expect(page.getByRole("list", { name: "Faces" }).getByText("Figtree")).toBeVisible();
    await openSource(page, "library");
    await library.getByText("kept here").click();
    await expect(library.getByRole("alert")).toBeHidden();
  } finally {
    await trouble("none");
  }
});

test("a face of the service is chosen by looking, and the proof is set in it", async ({
  page,
  slug,
  request,
}) => {
  await open(page, slug, "brand");
  await openSource(page, "type and shape");
  const faces = page.getByRole("list", { name: "Faces" });
  await faces.getByRole("button", { name: /Lora/ }).click();
  await saved(page, 2);
  expect((await savedSpec(request, slug)).type.body).toEqual(["Lora", "Georgia", "serif"]);
  const heading = half(page, "light").locator("h1").first();
  await expect
    .poll(() => heading.evaluate((node) => node.ownerDocument.fonts.check('16px "Lora"')))
    .toBe(true);
  await expect(page.getByText(/@import url\("http:.*family=Lora/)).toBeVisible();
  // What is handed over loads it too.
  const spec = await savedSpec(request, slug);
  const written = await request.post("/api/export", { data: { spec, target: "css" } });
  expect((await written.json()).files[0].text).toContain(`@import url("${spec.type.import}");`);
});
