import { expect, type FrameLocator, type Page } from "@playwright/test";
import { open, test } from "./rhodon";

const SHEET = `@import url("https://elsewhere.example/more.css");
body { background: #ffffff; color: #1a202c; font-family: "Own", serif }
.hero { background: #2b6cb0 url("https://elsewhere.example/x.png"); color: #ffffff }
@media (prefers-color-scheme: dark) { .hero { background: #2c5282 } }
`;

/** What the browser says of a page that it holds back; anything else is a fault. */
const HELD_BACK =
  /Content Security Policy|sandboxed|Unsafe attempt to load|not a supported stylesheet MIME type/;

test.afterEach(({ faults }) => {
  const others = faults.filter((fault) => !HELD_BACK.test(fault));
  faults.splice(0, faults.length, ...others);
});

/** A page that tries everything. */
const HOSTILE = `<!doctype html><html><head>
<base href="https://elsewhere.example/">
<meta http-equiv="refresh" content="0;url=https://elsewhere.example/refresh">
<link rel="stylesheet" href="/own-style-that-is-not-there.css">
<link rel="stylesheet" href="css/site.css">
<script>top.document.title = "taken"; fetch("https://elsewhere.example/leak")</script>
<script src="https://elsewhere.example/x.js"></script>
</head><body onload="top.document.title='taken'">
<div class="hero">Harbour</div>
<iframe src="https://elsewhere.example/frame"></iframe><iframe srcdoc="<script>top.document.title='taken'</script>"></iframe>
<object data="https://elsewhere.example/o"></object><embed src="https://elsewhere.example/e">
<img src="https://elsewhere.example/i.png" onerror="top.document.title='taken'">
<img src="/api/themes"><svg onload="top.document.title='taken'"><use href="https://elsewhere.example/s.svg#a"/></svg>
<a id="js" href="javascript:top.document.title='taken'">js</a>
<a id="out" href="https://elsewhere.example/out">out</a>
<a id="top" target="_top" href="https://elsewhere.example/top">top</a>
<form action="https://elsewhere.example/form"><button id="send">send</button></form>
<video src="https://elsewhere.example/v.mp4" autoplay></video>
</body></html>`;

async function bring(page: Page, slug: string, files: { name: string; text: string }[]) {
  await open(page, slug, "handoff");
  await page.getByRole("tab", { name: "own page" }).click();
  await page
    .locator("#proof input[type=file]:not([webkitdirectory])")
    .setInputFiles(
      files.map(({ name, text }) => ({ name, mimeType: "text/plain", buffer: Buffer.from(text) })),
    );
}

const frame = (page: Page, title: string): FrameLocator => page.frameLocator(`iframe[title="${title}"]`);
const ground = (within: FrameLocator) =>
  within.locator(".hero").evaluate((node) => getComputedStyle(node).backgroundColor);

test("one's own page is shown as it came and recoloured by the map, and outlives a reload", async ({
  page,
  slug,
}) => {
  const html = '<!doctype html><link rel="stylesheet" href="site.css"><div class="hero">Harbour</div>';
  await bring(page, slug, [
    { name: "index.html", text: html },
    { name: "site.css", text: ".hero { background: #2b6cb0; color: #fff }" },
  ]);
  await expect.poll(() => ground(frame(page, "as it came"))).toBe("rgb(43, 108, 176)");
  await page.getByRole("button", { name: "existing", exact: true }).click();
  const becomes = page.getByLabel("What #2b6cb0 becomes");
  await becomes.fill("petrol.600");
  await becomes.press("Enter");
  const recoloured = frame(page, "recoloured");
  await expect.poll(() => ground(recoloured)).not.toBe("rgb(43, 108, 176)");
  const painted = await ground(recoloured);
  expect(await ground(frame(page, "as it came"))).toBe("rgb(43, 108, 176)");
  await recoloured.locator(".hero").hover();
  await expect(page.locator("#proof code", { hasText: ".hero" })).toBeVisible();
  // A click leads to the line of the map.
  await page.getByRole("link", { name: /^Stave/ }).click();
  await frame(page, "as it came").locator(".hero").click();
  await expect(page.locator('tr[data-at][data-hex="#2b6cb0"]')).toBeVisible();
  await page.reload();
  await expect.poll(() => ground(frame(page, "recoloured"))).toBe(painted);
  await page.locator("#proof").getByRole("button", { name: "Remove" }).click();
  await expect(page.getByText("A page of your own")).toBeVisible();
});

test("a hostile page runs nothing, reaches nothing and changes nothing", async ({ page, slug, request }) => {
  const asked: string[] = [];
  await page.context().route(/elsewhere\.example/, (route) => {
    asked.push(route.request().url());
    return route.fulfill({ status: 200, body: "top.document.title='taken'", contentType: "text/javascript" });
  });
  const theme = async () => (await request.get(`/api/themes/${slug}`)).json();
  const before = await theme();
  const title = await page.title();
  await bring(page, slug, [{ name: "index.html", text: HOSTILE }]);
  const own = frame(page, "as it came");
  await expect(own.locator(".hero")).toBeVisible();
  for (const id of ["js", "out", "top", "send"]) await own.locator(`#${id}`).click({ force: true });
  await page.waitForTimeout(1200);
  expect(asked).toEqual([]);
  expect(await page.title()).not.toBe("taken");
  expect(title).not.toBe("taken");
  await expect(page).toHaveURL(/own=true/);
  await expect(own.locator(".hero")).toBeVisible();
  expect(
    await own.locator("img[src='/api/themes']").evaluate((img: HTMLImageElement) => img.naturalWidth),
  ).toBe(0);
  expect(await theme()).toEqual(before);
  // The address by itself runs and reaches nothing either.
  const src = await page.locator('iframe[title="as it came"]').getAttribute("src");
  const alone = await page.context().newPage();
  await alone.goto(src ?? "");
  await alone.locator("#out").click({ force: true, noWaitAfter: true });
  await alone.waitForTimeout(500);
  expect(await alone.title()).not.toBe("taken");
  const policy = (await request.get(src ?? "")).headers()["content-security-policy"];
  expect(policy).toContain("sandbox allow-same-origin; default-src 'none'");
  await alone.close();
});

test("style sheets ask for nothing from elsewhere, and what is no page is refused in words", async ({
  page,
  slug,
}) => {
  const asked: string[] = [];
  await page.context().route(/elsewhere\.example/, (route) => {
    asked.push(route.request().url());
    return route.abort();
  });
  await bring(page, slug, [
    { name: "page.html", text: '<link rel="stylesheet" href="site.css"><div class="hero">Harbour</div>' },
    { name: "site.css", text: SHEET },
  ]);
  await expect.poll(() => ground(frame(page, "as it came"))).toBe("rgb(43, 108, 176)");
  await page.waitForTimeout(500);
  expect(asked).toEqual([]);
  const input = page.locator("#proof input[type=file]:not([webkitdirectory])");
  await input.setInputFiles([{ name: "a.css", mimeType: "text/css", buffer: Buffer.from("a{}") }]);
  await expect(page.getByRole("alert")).toContainText("expected an HTML file among the files");
  await input.setInputFiles([
    { name: "a.zip", mimeType: "application/zip", buffer: Buffer.from("PK nothing") },
  ]);
  await expect(page.getByRole("alert")).toContainText("a.zip: a damaged ZIP");
});

test("a page that uses the theme's names is painted by its style sheet", async ({ page, slug }) => {
  await bring(page, slug, [
    {
      name: "index.html",
      text: '<head></head><body><div class="hero" style="background: var(--primary-fill)">Harbour</div>',
    },
  ]);
  await expect.poll(() => ground(frame(page, "as it came"))).toBe("rgba(0, 0, 0, 0)");
  await page.getByLabel("Right half").selectOption("sheet");
  await expect.poll(() => ground(frame(page, "recoloured"))).toBe("rgb(15, 92, 122)");
});
