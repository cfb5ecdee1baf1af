import AxeBuilder from "@axe-core/playwright";
import { brandRow, expect, half, open, test } from "./rhodon";

for (const appearance of ["light", "dark"] as const) {
  for (const stage of ["brand", "stave", "ledger", "check", "handoff"] as const) {
    test(`axe finds nothing on ${stage}, ${appearance} room`, async ({ page, slug }) => {
      await page.addInitScript(
        (value) => localStorage.setItem("mantine-color-scheme-value", value),
        appearance,
      );
      await open(page, slug, stage);
      if (stage === "handoff") await expect(page.getByText("--petrol-600").first()).toBeVisible();
      if (stage === "check") await expect(page.getByRole("table")).toBeVisible();
      const { violations } = await new AxeBuilder({ page }).analyze();
      expect(violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.html).join(" ")}`)).toEqual([]);
    });
  }
}

for (const [name, stage, view] of [
  ["the library", "brand", "source=library"],
  ["type and shape", "brand", "source=faces"],
  ["forms", "handoff", "side=forms"],
  ["what exists", "handoff", "side=existing"],
  ["sites", "handoff", "side=sites"],
  ["a page of one's own", "handoff", "own=true"],
] as const) {
  test(`axe finds nothing on ${name}`, async ({ page, slug }) => {
    await open(page, slug, stage);
    await page.goto(`/themes/${slug}/${stage}?${view}`);
    await page.waitForLoadState("networkidle");
    if (view === "side=existing") {
      const buffer = Buffer.from(".a { background: #2b6cb0; color: #fff } .b { color: #e4572e }");
      await page
        .getByRole("region", { name: "Existing files" })
        .locator("input[type=file]:not([webkitdirectory])")
        .setInputFiles([{ name: "site.css", mimeType: "text/css", buffer }]);
      await page.getByLabel("What #2b6cb0 becomes").fill("primary.fill");
      await page.getByLabel("What #2b6cb0 becomes").press("Enter");
      await expect(page.getByRole("heading", { name: /site\.css/ })).toBeVisible();
    }
    const { violations } = await new AxeBuilder({ page }).analyze();
    expect(violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.html).join(" ")}`)).toEqual([]);
  });
}

test("light and dark are shown alone or together, and the divide moves by keyboard", async ({
  page,
  slug,
}) => {
  await open(page, slug, "stave");
  await page.getByRole("button", { name: "dark", exact: true }).click();
  await expect(page).toHaveURL(/proof=dark/);
  await expect(page.locator("iframe")).toHaveCount(1);
  await page.getByRole("button", { name: "both", exact: true }).click();
  const divide = page.getByRole("separator");
  await divide.focus();
  await divide.press("ArrowLeft");
  await expect(divide).toHaveAttribute("aria-valuenow", "45");
});

test("single keys lead to the stages and widen the proof, not inside a field", async ({ page, slug }) => {
  await open(page, slug, "stave");
  await page.keyboard.press("1");
  await expect(brandRow(page)).toBeVisible();
  const field = page.getByRole("textbox", { name: "Name" }).first();
  await field.fill("Petrol");
  await field.press("3");
  await expect(field).toHaveValue("Petrol3");
  await field.press("Backspace");
  await field.blur();
  await page.keyboard.press("w");
  await expect(page.getByRole("button", { name: "wide", exact: true })).toHaveAttribute(
    "aria-pressed",
    "true",
  );
  // Pressed inside the proof it reaches the same shortcut.
  await half(page, "light").getByRole("heading", { name: "Sailings from Port Anlow" }).click();
  await page.keyboard.press("w");
  await expect(page.getByRole("button", { name: "wide", exact: true })).toHaveAttribute(
    "aria-pressed",
    "false",
  );
});

test("no page is allowed to run inline script", async ({ page, slug, faults }) => {
  await open(page, slug, "stave");
  const ran = await page.evaluate(() => {
    const script = document.createElement("script");
    script.textContent = "window.intruder = true";
    document.body.append(script);
    return "intruder" in window;
  });
  expect(ran).toBe(false);
  expect(faults.splice(0)).toEqual([expect.stringContaining("inline script violates")]);
});

test("where the system's colours stand for everything, those that are worked on stay", async ({
  page,
  slug,
}) => {
  await page.emulateMedia({ forcedColors: "active" });
  await open(page, slug, "stave");
  const ground = (node: Element) => getComputedStyle(node).backgroundColor;
  const petrol = "rgb(15, 92, 122)";
  expect(await page.getByRole("slider", { name: "Petrol 600, lightness" }).evaluate(ground)).toBe(petrol);
  await page.keyboard.press("3");
  const row = page.getByRole("row", { name: "petrol.600", exact: true });
  expect(await row.locator("span[aria-hidden] > span").first().evaluate(ground)).toBe(petrol);
  await page.keyboard.press("1");
  const first = page.getByRole("list", { name: "Brand colours" }).getByRole("button").first();
  const painted = await first.evaluate((node) =>
    [node, ...node.querySelectorAll("*")].some(
      (n) => getComputedStyle(n).backgroundColor === "rgb(15, 92, 122)",
    ),
  );
  expect(painted).toBe(true);
});

test("at twice the size the bench has the room, and the proof stands below it", async ({ page, slug }) => {
  await page.setViewportSize({ width: 640, height: 400 });
  for (const stage of ["brand", "stave", "ledger", "check", "handoff"] as const) {
    await open(page, slug, stage);
    const bench = await page.getByRole("main").boundingBox();
    expect(bench?.width).toBeGreaterThan(500);
    expect(bench?.height).toBeGreaterThan(300);
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(640);
  }
  const button = half(page, "light").getByRole("button", { name: "Book a crossing" });
  await expect(page.getByRole("region", { name: "Proof" })).not.toBeInViewport({ ratio: 0.5 });
  await page.keyboard.press("Tab");
  await page.keyboard.press("Tab");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("region", { name: "Proof" })).toBeInViewport({ ratio: 0.9 });
  await expect(button).toBeVisible();
  await expect(page.getByRole("link", { name: /^Stave/ })).toBeInViewport();
});

test("a long list is one stop of Tab, and arrows move in it", async ({ page, slug }) => {
  const told = () => page.evaluate(() => document.activeElement?.getAttribute("aria-label") ?? "");
  await open(page, slug, "handoff");
  await page.getByRole("textbox", { name: "Find a target" }).or(page.getByLabel("Find a target")).focus();
  await page.keyboard.press("Tab");
  await expect(page.getByRole("button", { name: /^CSS custom properties/ })).toBeFocused();
  await page.keyboard.press("ArrowDown");
  await expect(page.getByRole("button", { name: /^CSS classes/ })).toBeFocused();
  await page.keyboard.press("ArrowLeft");
  expect(await told()).toBe("CSS classes in the archive");
  await page.keyboard.press("End");
  expect(await told()).toBe("Theme document in the archive");
  await page.keyboard.press("Tab");
  await expect(page.getByRole("button", { name: "tick all" })).toBeFocused();
  await page.keyboard.press("Shift+Tab");
  expect(await told()).toBe("Theme document in the archive");

  await page.getByRole("link", { name: /^Check/ }).click();
  await page.getByRole("button", { name: /^text\.main on surface\.base/ }).focus();
  await page.keyboard.press("ArrowRight");
  await page.keyboard.press("ArrowDown");
  expect(await told()).toMatch(/^text\.muted on surface\.raised/);
  await page.keyboard.press("Tab");
  await expect(page.getByRole("tab", { name: "timetable" })).toBeFocused();
  await page.keyboard.press("ArrowRight");
  await expect(page).toHaveURL(/page=booking/);

  await page.getByRole("link", { name: /^Stave/ }).click();
  await page.getByRole("button", { name: /^Petrol primary/ }).focus();
  await page.keyboard.press("ArrowDown");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("list", { name: /^Steps of / })).not.toHaveAccessibleName("Steps of Petrol");
});
