// What stands around every stage: the bar, the rail, the wake, the address, sizes of the window.
import { expect, open, pinStep, saved, test } from "./rhodon";

const STAGES = ["brand", "stave", "ledger", "handoff"] as const;

test("the wake lists every value that a change moved", async ({ page, slug }) => {
  await open(page, slug, "brand");
  const color = page.getByRole("textbox", { name: "Colour", exact: true }).first();
  await color.fill("#0f5c7b");
  await color.press("Enter");
  await saved(page, 2);
  const wake = page.getByRole("contentinfo");
  await expect(wake).toContainText("Petrol: #0f5c7a → #0f5c7b");
  await wake.getByRole("button", { name: /\d+ values moved/ }).click();
  const row = page.getByRole("row", { name: /^petrol\.600 both/ });
  await expect(row).toHaveText(/^petrol\.600both #0f5c7a #0f5c7b0\.\d$/);
  const primary = page.getByRole("region", { name: "primary", exact: true });
  await expect(primary.getByRole("row", { name: /^primary\.fill dark/ })).toBeVisible();
  // What differs most comes first.
  const told = await page
    .getByRole("region", { name: "petrol", exact: true })
    .locator("td:last-child")
    .allInnerTexts();
  const figures = told.map(Number);
  expect(figures).toEqual(figures.toSorted((a, b) => b - a));
  await page.keyboard.press("Escape");
  await expect(row).toBeHidden();
});

test("a colour that is typed in the finder leads to the token nearest to it", async ({ page, slug }) => {
  await open(page, slug, "stave");
  await page.keyboard.press("Control+k");
  await page.keyboard.type("0f5c7b");
  const first = page.getByRole("button", { name: /^petrol\.600 .*apart by/ });
  await expect(first).toHaveAttribute("data-selected", "true");
  await page.keyboard.press("Enter");
  await expect(page).toHaveURL(/ledger\?.*token=petrol\.600/);
});

test("two colours that are typed in the finder are measured against each other", async ({
  page,
  slug,
  context,
}) => {
  await context.grantPermissions(["clipboard-read", "clipboard-write"]);
  await open(page, slug, "stave");
  await page.keyboard.press("Control+k");
  await page.keyboard.type("#777 on white");
  const one = page.getByRole("button", { name: /^4\.47 : 1 large text and parts/ });
  await expect(one).toHaveAttribute("data-selected", "true");
  await page.getByRole("textbox", { name: "Find anything" }).fill("text.main on surface.base");
  await expect(page.getByRole("button", { name: / : 1 light · any text/ })).toBeVisible();
  await expect(page.getByRole("button", { name: / : 1 dark · any text/ })).toBeVisible();
  await page.getByRole("textbox", { name: "Find anything" }).fill("777, fff");
  await expect(one).toHaveAttribute("data-selected", "true");
  await page.keyboard.press("Enter");
  expect(await page.evaluate(() => navigator.clipboard.readText())).toBe("4.47 : 1");
});

test("the finder is called from a field too, but not out of a question", async ({ page, slug }) => {
  await open(page, slug, "handoff");
  await page.getByLabel("mode", { exact: true }).focus();
  await page.keyboard.press("Control+k");
  await page.keyboard.type("handoff existing");
  const first = page.getByRole("button", { name: /^Handoff: existing/ });
  await expect(first).toHaveAttribute("data-selected", "true");
  await page.keyboard.press("Enter");
  await expect(page).toHaveURL(/side=existing/);
  await page.getByRole("button", { name: /▾$/ }).click();
  await page.getByRole("menuitem", { name: "New theme …" }).click();
  const colors = page.getByRole("dialog").getByLabel("Brand colours");
  await colors.fill("#0f5c7a");
  await page.keyboard.press("Control+k");
  await expect(colors).toHaveValue("#0f5c7a");
  await expect(colors).toBeFocused();
});

test("what is typed before the finder is there is found, and opened by an early Enter", async ({
  page,
  slug,
}) => {
  let come = () => {};
  const called = new Promise<void>((resolve) => {
    come = resolve;
  });
  await page.route(/Finder-.*\.js$/, async (route) => {
    await called;
    await route.continue();
  });
  await open(page, slug, "stave");
  await page.keyboard.press("Control+k");
  await page.keyboard.type("handoff existingx");
  await page.keyboard.press("Backspace");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("dialog")).toHaveCount(0);
  come();
  await expect(page).toHaveURL(/handoff\?.*side=existing/);
});

test("an Enter right behind the last letter takes what answers to all that was typed", async ({
  page,
  slug,
}) => {
  await open(page, slug, "stave");
  for (const [words, address] of [
    ["ledger columns", /\/ledger/],
    ["handoff existing", /side=existing/],
    ["check matrix", /\/check/],
  ] as const) {
    await page.keyboard.press("Control+k");
    await expect(page.getByRole("dialog").getByRole("button").first()).toBeVisible();
    // Each letter finds something else first; the whole is pressed faster than it is drawn.
    await page.evaluate(async (words) => {
      const field = document.activeElement as HTMLInputElement;
      const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, "value")?.set;
      for (let end = 1; end <= words.length; end++) {
        set?.call(field, words.slice(0, end));
        field.dispatchEvent(new InputEvent("input", { bubbles: true }));
        // The list of what was typed before is still there, with its first entry chosen.
        for (let i = 0; i < 5; i++) await Promise.resolve();
      }
      field.dispatchEvent(new KeyboardEvent("keydown", { key: "Enter", code: "Enter", bubbles: true }));
    }, words);
    await expect(page).toHaveURL(address);
    await expect(page.getByRole("dialog")).toHaveCount(0);
  }
});

test("a finding is found by its words and shown in its place", async ({ page, request }) => {
  const spec = {
    format: 1,
    name: `Found ${Date.now()}`,
    brand: [{ name: "Petrol", slug: "petrol", color: "#0f5c7a" }],
    roles: { "text.muted": { light: "#cccccc" } },
  };
  const made = await (await request.post("/api/themes", { data: { spec } })).json();
  await page.goto(`/themes/${made.slug}/stave`);
  await expect(page.getByRole("contentinfo")).toContainText("finding");
  await page.keyboard.press("Control+k");
  await page.keyboard.type("finding error muted");
  const found = page
    .getByRole("dialog")
    .getByRole("button", { name: /error$/ })
    .first();
  await expect(found).toBeVisible();
  await found.click();
  await expect(page).toHaveURL(/check\?.*finding=/);
  await expect(page.locator("li[data-wanted]")).toContainText("Muted text");
});

test("revisions stand by day, are named, searched and reached page by page", async ({
  page,
  slug,
  request,
}) => {
  const theme = await (await request.get(`/api/themes/${slug}`)).json();
  for (let turn = 1; turn <= 62; turn++) {
    const spec = { ...theme.spec, scales: { petrol: { turn: turn % 20 } } };
    const data = { spec, label: `Petrol: turn ${turn}` };
    await request.put(`/api/themes/${slug}`, { headers: { "if-match": "*" }, data });
  }
  await open(page, slug, "stave");
  await page.getByRole("button", { name: "Revisions", exact: true }).click();
  const drawer = page.getByRole("dialog", { name: "Revisions" });
  await expect(drawer.getByRole("heading", { level: 3 }).first()).toHaveText(/Today|Yesterday/);
  await expect(drawer.getByRole("listitem")).toHaveCount(60);
  await drawer.getByRole("button", { name: "Show older ones" }).click();
  await expect(drawer.getByRole("listitem")).toHaveCount(63);
  const last = drawer.getByRole("listitem").first();
  await last.getByRole("button", { name: "Name …" }).click();
  await page.getByRole("textbox", { name: "Name of revision 63" }).fill("x".repeat(81));
  await page.keyboard.press("Enter");
  await expect(last).toContainText("at most 80 characters");
  await page.getByRole("textbox", { name: "Name of revision 63" }).fill("sent to the printer");
  await page.keyboard.press("Enter");
  await expect(last).toContainText("sent to the printer");
  const search = drawer.getByRole("textbox", { name: "Search" });
  await search.fill("PRINTER");
  await expect(drawer.getByRole("listitem")).toHaveCount(1);
  await search.fill("gannet");
  await expect(drawer).toContainText("No revision tells of “gannet”.");
});

test("the room is dark or light, and stays so", async ({ page, slug }) => {
  await open(page, slug, "stave");
  const ground = () => page.evaluate(() => getComputedStyle(document.body).backgroundColor);
  const light = await ground();
  await page.getByRole("button", { name: "Dark room" }).click();
  await expect.poll(ground).not.toBe(light);
  const dark = await ground();
  await page.reload();
  await expect(page.getByRole("button", { name: "Light room" })).toBeVisible();
  expect(await ground()).toBe(dark);
  await page.getByRole("button", { name: "Light room" }).click();
  await expect.poll(ground).toBe(light);
});

test("undo and redo by keys leave a field alone", async ({ page, slug }) => {
  await open(page, slug, "stave");
  await pinStep(page, "Petrol 100");
  await saved(page, 2);
  await page.keyboard.press("3");
  // By its name: the stage one comes from has fields too, and stays until the next is drawn.
  const find = page.getByRole("textbox", { name: "Search tokens" });
  await find.fill("petrol");
  await find.press("Control+z");
  await expect(page.getByText("rev 2 · saved")).toBeVisible();
  await find.blur();
  await page.keyboard.press("Control+z");
  await saved(page, 1);
  await page.keyboard.press("Control+y");
  await saved(page, 2);
});

test("stages are stations of the address: back and forward walk them", async ({ page, slug }) => {
  await open(page, slug, "brand");
  for (const name of ["Stave", "Ledger", "Handoff"]) {
    await page.getByRole("navigation", { name: "Stages" }).getByRole("link", { name }).click();
    await expect(page).toHaveURL(new RegExp(`/${name.toLowerCase()}`));
  }
  await page.goBack();
  await expect(page).toHaveURL(/\/ledger/);
  await page.goBack();
  await expect(page.getByRole("list", { name: "Steps of Petrol" })).toBeVisible();
  await page.goForward();
  await expect(page).toHaveURL(/\/ledger/);
});

test("a name that is undone takes the address along", async ({ page, slug }) => {
  await open(page, slug, "brand");
  await page.getByRole("button", { name: /^Test a name that is undone/ }).click();
  await page.getByRole("menuitem", { name: "Rename …" }).click();
  const name = `Guillemot ${Date.now()}`;
  await page.getByRole("dialog").getByRole("textbox").fill(name);
  await page.getByRole("dialog").getByRole("button", { name: "Rename" }).click();
  await saved(page, 2);
  await expect(page).toHaveURL(/\/themes\/guillemot-\d+\/brand/);
  await page.keyboard.press("Control+z");
  await saved(page, 1);
  await expect(page).toHaveURL(new RegExp(`/themes/${slug}/brand`));
});

test("the divide is dragged by pointer", async ({ page, slug }) => {
  await open(page, slug, "stave");
  const divide = page.getByRole("separator");
  const box = await divide.boundingBox();
  if (!box) throw new Error("no divide on the screen");
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + 60, box.y + box.height / 2, { steps: 4 });
  await page.mouse.up();
  expect(Number(await divide.getAttribute("aria-valuenow"))).toBeGreaterThan(52);
});

for (const [width, height] of [
  [1024, 700],
  [1280, 800],
  [1920, 1080],
] as const) {
  test(`every stage fits a window of ${width} by ${height}`, async ({ page, slug }) => {
    await page.setViewportSize({ width, height });
    for (const stage of STAGES) {
      await open(page, slug, stage);
      const over = await page.evaluate(() => ({
        wide: document.documentElement.scrollWidth - window.innerWidth,
        high: document.documentElement.scrollHeight - window.innerHeight,
      }));
      expect(over, stage).toEqual({ wide: 0, high: 0 });
      // Nothing of the bench lies under the proof.
      const bench = await page.getByRole("main", { name: "Bench" }).boundingBox();
      const proof = await page.getByRole("region", { name: "Proof", exact: true }).boundingBox();
      expect((bench?.x ?? 0) + (bench?.width ?? 0), stage).toBeLessThanOrEqual((proof?.x ?? 0) + 1);
    }
  });
}

test("names of any length leave the window in one piece", async ({ page, request }) => {
  const long = "Northernmost ferry landing of the sound and its eleven outer islands ".repeat(2).trim();
  const brand = [
    { name: long, slug: "one", color: "#0f5c7a" },
    { name: "Æ".repeat(200), slug: "two", color: "#e4572e" },
  ];
  const made = await request.post("/api/themes", {
    data: { spec: { format: 1, name: `${long} ${Date.now()}`, brand } },
  });
  const { slug } = await made.json();
  for (const stage of STAGES) {
    await open(page, slug, stage);
    const wide = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
    expect(wide, stage).toBe(0);
    await expect(page.getByRole("button", { name: "Undo" })).toBeInViewport();
    await expect(page.getByRole("button", { name: "Dark room" })).toBeInViewport();
  }
});

test("a theme of forty scales is worked with like any other", async ({ page, request }) => {
  const brand = Array.from({ length: 36 }, (_, i) => ({
    name: `Berth ${i + 1}`,
    slug: `berth-${i + 1}`,
    color: `hsl(${i * 10} ${40 + (i % 5) * 10}% ${30 + (i % 4) * 12}%)`,
  }));
  const tokens = Object.fromEntries(
    Array.from({ length: 400 }, (_, i) => [`quay.stone-${i}`, { value: `{berth-${(i % 36) + 1}.300}` }]),
  );
  const spec = { format: 1, name: `Forty ${Date.now()}`, brand, tokens };
  const { slug } = await (await request.post("/api/themes", { data: { spec } })).json();
  await page.goto(`/themes/${slug}/ledger?scale=berth-1`);
  const find = page.getByRole("textbox", { name: "Search tokens" });
  await find.fill("stone-399");
  await expect(page.getByRole("button", { name: /berth-4\.300/ }).first()).toBeVisible();
  await page.keyboard.press("Escape");
  await page.goto(`/themes/${slug}/handoff`);
  await expect(page.getByRole("region", { name: "theme.css", exact: true })).toContainText("--berth-1-");
  await page.getByRole("navigation", { name: "Targets" }).getByRole("button", { name: "Kotlin" }).click();
  await expect(page.getByRole("region", { name: "ThemeColors.kt", exact: true })).toContainText("berth1");
  await page.goto(`/themes/${slug}/stave`);
  await page.getByRole("button", { name: /^Berth 36/ }).click();
  await expect(page.getByRole("list", { name: "Steps of Berth 36" })).toBeVisible();
});

test("in a low and narrow window the file lies below its options, not over them", async ({ page, slug }) => {
  await page.setViewportSize({ width: 1024, height: 620 });
  await open(page, slug, "handoff");
  const file = page.getByRole("region", { name: "theme.css", exact: true });
  const help = await page.getByText("How dark mode is chosen", { exact: false }).boundingBox();
  const box = await file.boundingBox();
  expect((help?.y ?? 0) + (help?.height ?? 0)).toBeLessThanOrEqual(box?.y ?? 0);
  for (const name of ["Copy all", "Download"]) {
    const button = await file.getByRole("button", { name }).boundingBox();
    expect(button?.width).toBeGreaterThan(60);
    expect((button?.x ?? 0) + (button?.width ?? 0)).toBeLessThanOrEqual((box?.x ?? 0) + (box?.width ?? 0));
  }
});
