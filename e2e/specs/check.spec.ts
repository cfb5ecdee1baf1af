import type { Page } from "@playwright/test";
import { expect, half, open, saved, savedSpec, test } from "./rhodon";

async function damage(page: Page, slug: string, change: Record<string, unknown>) {
  const theme = await (await page.request.get(`/api/themes/${slug}`)).json();
  const done = await page.request.put(`/api/themes/${slug}`, {
    headers: { "If-Match": `"${theme.revision}"` },
    data: { spec: { ...theme.spec, ...change }, label: "damaged" },
  });
  expect(done.status()).toBe(200);
}

test("a finding is shown as it is and as it would be, tried on the proof, mended and undone", async ({
  page,
  slug,
  request,
}) => {
  await damage(page, slug, { roles: { "text.muted": { light: "#9aa5ad" } } });
  await open(page, slug, "check").catch(() => undefined);
  const findings = page.getByRole("region", { name: "Findings" });
  const finding = findings.getByRole("listitem").filter({ hasText: "Muted text on the base surface" });
  await expect(finding).toContainText(/has 2\.\d : 1 in light; text needs 4\.5\. \w+ \d+ has \d\.\d/);
  await expect(page.getByRole("link", { name: /^Check/ })).toContainText("finding");
  const fix = finding.getByRole("button", { name: /let go of text\.muted in light/ });
  const muted = () =>
    half(page, "light")
      .locator("html")
      .evaluate((html) => getComputedStyle(html).getPropertyValue("--text-muted"));
  await fix.hover();
  await expect.poll(muted).not.toContain("#9aa5ad");
  await page.mouse.move(0, 0);
  await expect.poll(muted).toContain("#9aa5ad");
  await fix.click();
  await saved(page, 3);
  await expect(finding).toHaveCount(0);
  expect((await savedSpec(request, slug)).roles).toBeUndefined();
  await page.keyboard.press("Control+z");
  await expect(finding).toBeVisible();
});

test("a finding is accepted with a reason, and counts again when asked", async ({ page, slug, request }) => {
  await damage(page, slug, { roles: { "primary.fill-hover": { light: "{petrol.600}" } } });
  await open(page, slug, "check");
  const finding = page.getByRole("listitem").filter({ hasText: "Primary fill hover differs" });
  await finding.getByRole("button", { name: "accept …" }).click();
  await finding.getByLabel("Why it may stand").fill("the crew asked for it");
  await finding.getByRole("button", { name: "accept", exact: true }).click();
  await saved(page, 3);
  expect((await savedSpec(request, slug)).accepted[0].reason).toBe("the crew asked for it");
  await page.getByRole("button", { name: "1 accepted" }).click();
  await expect(page.getByText("accepted: the crew asked for it")).toBeVisible();
  await page.getByRole("button", { name: "count again" }).click();
  await saved(page, 4);
  expect((await savedSpec(request, slug)).accepted ?? []).toEqual([]);
});

test("the matrix shows every ground, is filtered by word, and copies a pair or its ratio", async ({
  page,
  slug,
}) => {
  await open(page, slug, "check");
  const matrix = page.getByRole("region", { name: "Matrix" });
  await expect(matrix.getByRole("row")).not.toHaveCount(0);
  await matrix.getByLabel("Find a foreground").fill("text.muted");
  await expect(matrix.getByRole("row")).toHaveCount(2);
  const cell = matrix.getByRole("button", { name: /^text\.muted on surface\.base/ });
  const ratio = (await cell.getAttribute("aria-label"))?.split(": ")[1] ?? "";
  await cell.click();
  const copied = () => page.evaluate(() => navigator.clipboard.readText());
  expect(await copied()).toMatch(/^text\.muted #\w{6} on surface\.base #\w{6}: \d\.\d\d : 1$/);
  await cell.click({ modifiers: ["Shift"] });
  expect(Number(await copied()).toFixed(1)).toBe(ratio);
  await matrix.getByRole("button", { name: "dark" }).click();
  await expect(cell).not.toHaveAttribute("aria-label", `text.muted on surface.base: ${ratio}`);
  await matrix.getByLabel("Grounds").selectOption("danger");
  await matrix.getByLabel("Find a foreground").fill("");
  await expect(matrix.getByRole("rowheader", { name: "danger.fill-text" })).toBeVisible();
});

/** The code of a point of the window as it is shown. */
async function shown(page: Page, x: number, y: number): Promise<number[]> {
  const png = await page.screenshot({ clip: { x, y, width: 2, height: 2 } });
  return page.evaluate(async (base64) => {
    const bytes = Uint8Array.from(atob(base64), (c) => c.charCodeAt(0));
    const bitmap = await createImageBitmap(new Blob([bytes], { type: "image/png" }));
    const canvas = new OffscreenCanvas(2, 2);
    const context = canvas.getContext("2d");
    context?.drawImage(bitmap, 0, 0);
    return [...(context?.getImageData(0, 0, 1, 1).data ?? [])].slice(0, 3);
  }, png.toString("base64"));
}

test("what is seen with other eyes is what the core measures", async ({ page, slug, request }) => {
  await open(page, slug, "stave");
  const { eyes } = await (await request.get("/api/vocabulary")).json();
  const bar = half(page, "light").locator(".bar").first();
  const box = await bar.boundingBox();
  const at: [number, number] = [(box?.x ?? 0) + 3, (box?.y ?? 0) + 3];
  const linear = (v: number) => (v / 255 <= 0.04045 ? v / 255 / 12.92 : ((v / 255 + 0.055) / 1.055) ** 2.4);
  const coded = (v: number) => {
    const cut = Math.min(1, Math.max(0, v));
    return 255 * (cut <= 0.0031308 ? 12.92 * cut : 1.055 * cut ** (1 / 2.4) - 0.055);
  };
  const own = await shown(page, ...at);
  expect(own).toEqual([0x0f, 0x5c, 0x7a]);
  for (const { id, name, matrices, added, blur } of eyes) {
    await page.getByLabel("Eyes").selectOption(id);
    await expect(page.getByRole("status").filter({ hasText: "seen with" })).toContainText(name);
    if (blur[10] > 0) {
      await expect(page.locator("feGaussianBlur")).toHaveAttribute("stdDeviation", String(blur[10]));
      continue;
    }
    const moved = await bar.boundingBox();
    const seen = await shown(page, (moved?.x ?? 0) + 3, (moved?.y ?? 0) + 3);
    const full: number[] = matrices[10];
    const wanted = [0, 3, 6].map((row) =>
      coded([0, 1, 2].reduce((sum, c) => sum + (full[row + c] ?? 0) * linear(own[c] ?? 0), added[10])),
    );
    for (const [i, value] of seen.entries())
      expect(Math.abs(value - (wanted[i] ?? 0)), `${id} ${i}`).toBeLessThanOrEqual(2);
  }
  await page.getByRole("button", { name: "back to my own" }).click();
  await expect(page.getByRole("button", { name: "back to my own" })).toHaveCount(0);
});

test("the check and other eyes are found by the words people have for them", async ({ page, slug }) => {
  await open(page, slug, "stave");
  const find = async (words: string) => {
    await page.keyboard.press("Control+k");
    await page.getByRole("textbox", { name: "Find anything" }).fill(words);
  };
  await find("blindness deutan");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("status").filter({ hasText: "seen with" })).toBeVisible();
  await find("eyes my own");
  await page.getByText("Eyes: my own").click();
  await expect(page.getByRole("status").filter({ hasText: "seen with" })).toHaveCount(0);
  await find("accessibility");
  await page.keyboard.press("Enter");
  await expect(page).toHaveURL(/\/check/);
});

test("what a parent accepted says so, and is not taken back here", async ({ page, slug, request }) => {
  await damage(page, slug, {
    roles: { "primary.fill-hover": { light: "{petrol.600}" } },
    accepted: [
      {
        id: "state",
        tokens: ["primary.fill-hover", "primary.fill"],
        mode: "light",
        reason: "the crew asked for it",
        measure: 0,
      },
    ],
  });
  const spec = { format: 1, name: `Child of ${slug}`, extends: slug };
  const child = (await (await request.post("/api/themes", { data: { spec } })).json()).slug;
  await open(page, child, "check");
  await page.getByRole("button", { name: /^\d+ accepted/ }).click();
  await expect(page.getByText("accepted by what it extends: the crew asked for it")).toBeVisible();
  await expect(page.getByRole("button", { name: "count again" })).toHaveCount(0);
});

test("every room knows the level: limits, matrix, a value set for it, and itself beside the usual", async ({
  page,
  slug,
  request,
}) => {
  await open(page, slug, "stave");
  const limits = page.getByText(/^(3|4\.5|7) : 1$/);
  await expect(limits).toHaveCount(3);
  await page.getByRole("button", { name: "contrast", exact: true }).click();
  await expect(limits).toHaveCount(2);

  await page.keyboard.press("4");
  await expect(page.getByRole("heading", { level: 1 })).toContainText(
    "pairs readable in both modes at more contrast",
  );
  const muted = page.getByRole("button", { name: /^text\.muted on surface\.base:/ });
  const ratio = async () => Number((await muted.getAttribute("aria-label"))?.split(": ")[1]);
  expect(await ratio()).toBeGreaterThanOrEqual(7);
  await page.getByRole("region", { name: "Matrix" }).getByRole("button", { name: "more contrast" }).click();
  await expect.poll(ratio).toBeLessThan(7);
  await page.getByRole("region", { name: "Matrix" }).getByRole("button", { name: "more contrast" }).click();

  await page.keyboard.press("3");
  await page.getByRole("textbox", { name: "Search tokens" }).fill("text.muted");
  const row = page.getByRole("row", { name: /^text\.muted/ });
  await row.getByRole("cell").nth(1).getByRole("button").click();
  const field = page.getByRole("combobox", { name: "text.muted, light, more contrast" });
  await field.fill("#101010");
  await field.press("Enter");
  await saved(page, 2);
  const spec = await savedSpec(request, slug);
  expect(spec.contrast.roles).toEqual({ "text.muted": { light: "#101010" } });
  expect(spec.roles?.["text.muted"]).toBeUndefined();
  await row.getByRole("button", { name: "text.muted, light, more contrast: back to derived" }).click();
  await saved(page, 3);
  expect((await savedSpec(request, slug)).contrast?.roles).toBeUndefined();

  await page.getByRole("combobox", { name: "Compare with" }).selectOption({ label: "more contrast" });
  await expect(page.locator('iframe[title="timetable, light"]')).toHaveCount(2);
  const ink = (side: number) =>
    page
      .frameLocator('iframe[title="timetable, light"]')
      .nth(side)
      .locator("html")
      .evaluate((html) => getComputedStyle(html).getPropertyValue("--text-muted").trim());
  await expect.poll(async () => (await ink(0)) !== (await ink(1))).toBe(true);
  await page.getByRole("button", { name: /^\d+ values differ/ }).click();
  await expect(page.getByRole("dialog", { name: "What differs at more contrast" })).toContainText(
    "text.muted",
  );
});

test("the proof shows more contrast, the ledger says why, and the level is switched off", async ({
  page,
  slug,
}) => {
  await open(page, slug, "check");
  const ink = () =>
    half(page, "light")
      .locator("html")
      .evaluate((html) => getComputedStyle(html).getPropertyValue("--text-muted").trim());
  const usual = await ink();
  await page.getByRole("button", { name: "contrast", exact: true }).click();
  await expect.poll(ink).not.toBe(usual);
  await page.goto(`/themes/${slug}/ledger?token=text.muted`);
  await expect(page.getByRole("region", { name: "About text.muted" })).toContainText(
    /more contrast, light.*with 7 : 1/,
  );
  await page.getByRole("link", { name: /^Check/ }).click();
  await expect(page.getByText(/all \d+ pairs at 7 : 1/)).toBeVisible();
  await page.getByRole("switch", { name: /more contrast/ }).click({ force: true });
  await saved(page, 2);
  await expect(page.getByText(/pairs at 7 : 1/)).toHaveCount(0);
});

test("a page far from the theme's aim is noted while it is shown", async ({ page, slug }) => {
  await damage(page, slug, { aim: { dominant: 5, secondary: 5, accent: 90 } });
  await open(page, slug, "check").catch(() => undefined);
  const findings = page.getByRole("region", { name: "Findings" });
  const fold = findings.getByRole("button", { name: /notes?/ });
  if (await fold.isVisible()) await fold.click();
  const note = findings.getByRole("listitem").filter({ hasText: "of the page timetable" });
  await expect(note).toContainText(/covers? \d+ % of the page timetable; the theme aims at \d+ %\./);
  await page.getByRole("tab", { name: "booking" }).click();
  await expect(note).toHaveCount(0);
  await expect(findings.getByRole("listitem").filter({ hasText: "of the page booking" })).toBeVisible();
});

test("findings of a kind are mended together, as one step of undo", async ({ page, slug, request }) => {
  const tokens = { "ferry.wake": { value: "#0f5c7a" }, "ferry.foam": { value: "#0f5c7b" } };
  await damage(page, slug, { tokens });
  await open(page, slug, "check").catch(() => undefined);
  const findings = page.getByRole("region", { name: "Findings" });
  await findings.getByRole("button", { name: "mend all 2 of literal" }).click();
  await saved(page, 3);
  await expect(findings.getByText("is written as")).toHaveCount(0);
  const mended = (await savedSpec(request, slug)).tokens as typeof tokens;
  expect(Object.values(mended).map((t) => t.value)).toEqual(["{petrol.600}", "{petrol.600}"]);
  await page.keyboard.press("Control+z");
  await expect(findings.getByText("is written as")).toHaveCount(2);
});

test("many findings come forty at a time", async ({ page, slug, request }) => {
  const spec = await savedSpec(request, slug);
  // Nearly a step of a scale, and told so.
  const own = Array.from({ length: 60 }, (_, i) => [`part.own-${i}`, { value: "#0f5c7b" }]);
  spec.tokens = Object.fromEntries(own);
  const write = { headers: { "If-Match": '"1"' }, data: { spec, label: "many" } };
  expect((await request.put(`/api/themes/${slug}`, write)).status()).toBe(200);
  await page.goto(`/themes/${slug}/check`);
  const findings = page.getByRole("region", { name: "Findings" });
  const items = findings.getByRole("listitem");
  await expect(items).toHaveCount(40);
  await findings.getByRole("button", { name: /^show \d+ more of \d+$/ }).click();
  await expect(items).not.toHaveCount(40);
  await expect(findings.getByText("Part own 59 is written as")).toBeVisible();
  await expect(findings.getByRole("button", { name: /^show \d+ more/ })).toHaveCount(0);
});
