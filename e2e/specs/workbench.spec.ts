import { brandRow, expect, half, open, openSource, saved, savedSpec, test } from "./rhodon";

test("a pasted list becomes colours, and refusals beside them", async ({ page, slug }) => {
  await open(page, slug, "brand");
  const field = page.getByRole("textbox", { name: "Add colours" });
  await field.fill('Heather: "#7a4b8f";\n0xFF8A9A2B, bluish');
  const read = page.getByRole("list", { name: "What was read" });
  await expect(read).toContainText("Heather #7a4b8f");
  await expect(read).toContainText("#8a9a2b");
  await expect(read).toContainText("bluish: expected a CSS colour name");
  await page.getByRole("button", { name: "Add 2 colours" }).click();
  await saved(page, 2);
  await expect(field).toHaveValue("bluish");
  await expect(brandRow(page).getByRole("listitem")).toHaveCount(5);
});

test("a slug follows its name until it is set by hand, and a clash tells both names", async ({
  page,
  slug,
}) => {
  await open(page, slug, "brand");
  const name = page.getByRole("textbox", { name: "Name", exact: true }).first();
  await name.fill("Deep Sea");
  await name.press("Enter");
  await saved(page, 2);
  const own = page.getByRole("textbox", { name: "Slug of Deep Sea" });
  await expect(own).toHaveValue("deep-sea");
  await own.fill("buoy");
  await own.press("Enter");
  await expect(page.getByText('"Buoy" and "Deep Sea" share the slug buoy')).toBeVisible();
  await own.fill("abyss");
  await own.press("Enter");
  await saved(page, 3);
  await name.fill("Shallow Sea");
  await name.press("Enter");
  await saved(page, 4);
  await expect(page.getByRole("textbox", { name: "Slug of Shallow Sea" })).toHaveValue("abyss");
});

test("what hangs on a colour is shown before it goes", async ({ page }) => {
  await page.goto("/themes/brindle-sound-ferries/brand");
  await page.getByRole("button", { name: "Remove Petrol" }).click();
  const dialog = page.getByRole("dialog", { name: "Remove Petrol?" });
  await expect(dialog).toContainText("token ferry.wake");
  await dialog.getByRole("button", { name: "Keep it" }).click();
  await expect(page.getByText("rev 1 · saved")).toBeVisible();
});

test("companions are drawn, turned by hand, held over another draw, and taken", async ({
  page,
  slug,
  request,
}) => {
  await open(page, slug, "brand");
  await openSource(page, "companions");
  const companions = page.getByRole("region", { name: "Companions" });
  const drawn = companions.getByRole("list", { name: "Drawn companions" }).getByRole("button");
  const tray = page.getByRole("region", { name: "Tray" });
  await expect(drawn).toHaveCount(3);
  const code = async (place: number) => (await drawn.nth(place).innerText()).match(/#[0-9a-f]{6}/)?.[0] ?? "";
  const first = await code(0);
  await drawn.first().click();
  await expect(tray.getByRole("listitem")).toHaveCount(1);
  await companions.getByRole("button", { name: "Draw again" }).click();
  await expect.poll(() => code(0)).not.toBe(first);
  // Earlier draws are gone back to, and what is held stays.
  await companions.getByRole("button", { name: "Draw 1" }).click();
  await expect.poll(() => code(0)).toBe(first);
  // One stem takes the other along.
  const second = await code(1);
  const stem = companions.getByRole("slider", { name: "Companion 1" });
  const hue = Number(await stem.getAttribute("aria-valuenow"));
  await stem.press("Shift+ArrowRight");
  await expect(stem).toHaveAttribute("aria-valuenow", String((hue + 10) % 360));
  await expect.poll(() => code(1)).not.toBe(second);
  await tray
    .getByRole("listitem")
    .getByRole("button", { name: /^Take / })
    .click();
  await saved(page, 2);
  await expect(tray).toBeHidden();
  const { brand } = await savedSpec(request, slug);
  expect(brand[2]).toMatchObject({
    color: first,
    from: { kind: "companion", of: "Petrol", relation: "triad" },
  });
});

test("type and shape reach the proof", async ({ page, slug }) => {
  await open(page, slug, "brand");
  await openSource(page, "type and shape");
  const radius = page.getByRole("textbox", { name: "Radius, px" });
  await radius.fill("20");
  await radius.press("Enter");
  await saved(page, 2);
  const button = half(page, "light").getByRole("button", { name: "Book a crossing" });
  await expect(button).toHaveCSS("border-radius", "20px");
  const body = page.getByRole("combobox", { name: "body families" });
  await body.fill("Harbour Sans, serif");
  await body.press("Enter");
  await saved(page, 3);
  await expect(half(page, "light").locator("body")).toHaveCSS("font-family", '"Harbour Sans", serif');
  // A face that comes with Rhodon is there to be seen.
  await body.fill("Instrument Sans Variable, sans-serif");
  await body.press("Enter");
  await saved(page, 4);
  await expect
    .poll(() =>
      half(page, "light")
        .locator("body")
        .evaluate(() =>
          [...document.fonts].some((f) => f.family.includes("Instrument") && f.status === "loaded"),
        ),
    )
    .toBe(true);
});

test("a role is put on another step by its list, and by dragging", async ({ page, slug }) => {
  await open(page, slug, "stave");
  await page
    .getByRole("button", { name: /^primary\.tint/ })
    .first()
    .press("Enter");
  const step = page.getByRole("combobox", { name: "Step of primary.tint, light" });
  await step.selectOption("petrol.200");
  await saved(page, 2);
  await expect(page.getByText("primary.tint (light): petrol.200")).toBeVisible();

  const flag = page.getByRole("button", { name: /^primary\.gradient-end/ }).first();
  await flag.scrollIntoViewIfNeeded();
  const from = await flag.boundingBox();
  const to = await page.getByRole("slider", { name: "Petrol 500, lightness" }).boundingBox();
  if (!from || !to) throw new Error("the flag is not on the screen");
  await page.mouse.move(from.x + 10, from.y + 6);
  await page.mouse.down();
  await page.mouse.move(from.x + 30, from.y + 6);
  await page.mouse.move(to.x + to.width / 2, from.y + 6, { steps: 4 });
  await expect(page.getByText(/primary\.gradient-end.*: 1/).first()).toBeVisible();
  await page.mouse.up();
  await saved(page, 3);
  await expect(page.getByText("primary.gradient-end (light): petrol.500")).toBeVisible();
});

test("steps are pinned, left out, named anew and made see-through", async ({ page, slug }) => {
  await open(page, slug, "stave");
  const card = (label: string) => page.getByRole("button", { name: `Petrol ${label} change or copy` });
  await card("300").click();
  await page.getByRole("button", { name: "Pin it here" }).click();
  await saved(page, 2);
  await expect(page.getByRole("slider", { name: "Petrol 300, lightness" })).toHaveAttribute(
    "aria-disabled",
    "true",
  );
  await card("300").click();
  await page.getByRole("button", { name: "Unpin" }).click();
  await saved(page, 3);
  await card("950").click();
  await page.getByRole("checkbox", { name: "handed over in exports" }).uncheck();
  await saved(page, 4);
  const alpha = page.getByRole("textbox", { name: "Alpha steps, %" });
  await alpha.fill("8 thin");
  await alpha.press("Enter");
  // The reason stands at the field, in words; what is saved is said to be saved.
  await expect(page.getByText('found "thin"')).toBeVisible();
  await expect(alpha).toHaveAttribute("aria-invalid", "true");
  await expect(page.getByText("rev 4 · saved")).toBeVisible();
  await expect(alpha).toHaveValue("8 thin");
  await alpha.fill("8%, 16 %");
  await alpha.press("Enter");
  await saved(page, 5);
  await expect(alpha).toHaveValue("8 16");
  await page.getByRole("link", { name: /Handoff/ }).click();
  const file = page.getByRole("region", { name: "theme.css" });
  await expect(file).toContainText("--petrol-a8: #0f5c7a14;");
  await expect(file).not.toContainText("--petrol-950:");
  await page.getByRole("link", { name: /Stave/ }).click();
  await page.getByRole("combobox", { name: "Step names" }).selectOption({ label: "1 to 12" });
  await saved(page, 6);
  await expect(page.getByRole("list", { name: "Steps of Petrol" }).getByRole("listitem")).toHaveCount(12);
});

test("a whole theme by keyboard alone", async ({ page, slug }) => {
  await open(page, slug, "stave");
  const tabTo = async (wanted: () => Promise<boolean>, key = "Tab") => {
    for (let i = 0; i < 150; i++) {
      await page.keyboard.press(key);
      if (await wanted()) return;
    }
    throw new Error("not reached by the keyboard");
  };
  const focused = (name: RegExp) => () =>
    page.evaluate(
      ([source]) => {
        const node = document.activeElement;
        const label =
          node instanceof HTMLInputElement || node instanceof HTMLTextAreaElement
            ? node.labels?.[0]?.textContent
            : "";
        return new RegExp(source ?? "").test(
          node?.getAttribute("aria-label") || label || node?.textContent || "",
        );
      },
      [name.source],
    );
  // A new theme from the menu.
  await tabTo(focused(/▾$/));
  await page.keyboard.press("Enter");
  await page.getByRole("menuitem", { name: "New theme …" }).waitFor();
  await tabTo(focused(/^New theme/), "ArrowUp");
  await page.keyboard.press("Enter");
  const name = `Keys ${Date.now()}`;
  await expect(page.getByRole("dialog", { name: "New theme" })).toBeVisible();
  await tabTo(focused(/^Name/));
  await page.keyboard.type(name);
  await page.keyboard.press("Tab");
  await page.keyboard.type("#0f5c7a");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("button", { name: `${name} ▾` })).toBeVisible();
  // Another colour on the first stage.
  await page.keyboard.press("Escape");
  await page.keyboard.press("1");
  await tabTo(focused(/^Add colours/));
  await page.keyboard.type("#e4572e");
  await expect(page.getByRole("list", { name: "What was read" })).toBeVisible();
  await page.keyboard.press("Enter");
  await saved(page, 2);
  // A step on the second, moved by arrows.
  await tabTo(focused(/Stave/), "Shift+Tab");
  await page.keyboard.press("Enter");
  await tabTo(focused(/300, lightness$/));
  await page.keyboard.press("ArrowLeft");
  await page.keyboard.press("ArrowLeft");
  await saved(page, 3);
  // And the file copied on the last.
  await tabTo(focused(/Handoff/), "Shift+Tab");
  await page.keyboard.press("Enter");
  await page.getByRole("region", { name: "theme.css" }).waitFor();
  await tabTo(focused(/^Copy all$/));
  await page.keyboard.press("Enter");
  expect(await page.evaluate(() => navigator.clipboard.readText())).toContain("--primary-fill: var(--");
});

test("a pasted colour is read with one request and added with one", async ({ page, slug }) => {
  await open(page, slug, "brand");
  await page.waitForLoadState("networkidle");
  const asked: string[] = [];
  page.on("request", (request) => {
    const { pathname } = new URL(request.url());
    // How the project's folder stands is asked wherever there is one.
    if (pathname.startsWith("/api/") && pathname !== "/api/workspace")
      asked.push(`${request.method()} ${pathname}`);
  });
  const field = page.getByLabel("Add colours");
  await field.click();
  await page.keyboard.insertText("#a5279e");
  await expect(page.getByRole("list", { name: "What was read" })).toContainText("#a5279e");
  await field.press("Enter");
  await saved(page, 2);
  await expect(page.getByRole("list", { name: "Brand colours" })).toContainText("Vivid purple");
  await page.waitForTimeout(500);
  expect(asked).toEqual(["POST /api/colors", `POST /api/themes/${slug}/change`]);
  // The list of themes knows of it all the same.
  await page.getByRole("button", { name: /▾$/ }).click();
  await expect(
    page.getByRole("menuitem").filter({ has: page.locator('[style*="165, 39, 158"]') }),
  ).toHaveCount(1);
});
