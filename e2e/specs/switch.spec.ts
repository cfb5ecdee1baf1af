import { gzipSync } from "node:zlib";
import type { APIRequestContext, BrowserContext, Page } from "@playwright/test";
import { expect, test } from "./rhodon";

/** What a browser makes of the switch: a page that offers a theme and two that extend it. */

const ORIGIN = "http://switch.test";
type Files = Record<string, string>;

async function files(request: APIRequestContext, slug: string): Promise<Files> {
  for (const [name, color] of [
    ["Night", "#3b3f8c"],
    ["Freight", "#e4572e"],
  ]) {
    const brand = [{ name, slug: name?.toLowerCase(), color }];
    const intents = { primary: { scale: name?.toLowerCase() } };
    const roles = name === "Night" ? { "surface.base": { light: "#f4f4ff", dark: "#101020" } } : {};
    const spec = { format: 1, name: `${name} ${slug}`, extends: slug, brand, intents, roles };
    expect((await request.post("/api/themes", { data: { spec } })).status()).toBe(201);
  }
  const { spec } = await (await request.get(`/api/themes/${slug}`)).json();
  const data = { spec, target: "switch", options: {}, theme: slug };
  const written = await (await request.post("/api/export", { data })).json();
  return Object.fromEntries(written.files.map((f: { path: string; text: string }) => [f.path, f.text]));
}

const PAGE = (head: string, script: string) => `<!doctype html><html lang="en"><head><title>Board</title>
  <link rel="stylesheet" href="/switch.css">${head}
  <style>body { background: var(--surface-base); color: var(--text-main) } b { background: var(--primary-fill) }</style>
  </head><body><h1>Sailings</h1><b>Book</b>${script}</body></html>`;

const WITH_FIELDS = `<theme-select label="Theme"></theme-select><theme-select for="mode" label="Mode"></theme-select>
  <theme-select for="primary" label="Primary" none="as the theme"></theme-select><script type="module" src="/switch.js"></script>`;

async function serve(context: BrowserContext, files: Files, script = WITH_FIELDS) {
  await context.route(`${ORIGIN}/**`, (route) => {
    const path = new URL(route.request().url()).pathname.slice(1);
    const contentType = path.endsWith(".css")
      ? "text/css"
      : path.endsWith(".js")
        ? "text/javascript"
        : "text/html";
    return route.fulfill({ contentType, body: files[path] ?? PAGE(files["switch.head.html"] ?? "", script) });
  });
}

const ground = (page: Page) => page.evaluate(() => getComputedStyle(document.body).backgroundColor);
const primary = (page: Page) => page.locator("b").evaluate((node) => getComputedStyle(node).backgroundColor);

test("a theme is chosen, stays over a reload without a flash, and other tabs follow", async ({
  page,
  slug,
  request,
  context,
}) => {
  const written = await files(request, slug);
  expect(gzipSync(written["switch.js"] ?? "", { level: 9 }).length).toBeLessThan(1024);
  await serve(context, written);
  await page.goto(ORIGIN);
  expect(await primary(page)).toBe("rgb(15, 92, 122)");
  const themes = page.getByRole("combobox", { name: "Theme" });
  await expect(themes.getByRole("option")).toHaveCount(3);
  const other = await context.newPage();
  await other.goto(ORIGIN);
  await themes.focus();
  await page.keyboard.press("N");
  await expect.poll(() => primary(page)).toBe("rgb(59, 63, 140)");
  expect(await ground(page)).toBe("rgb(244, 244, 255)");
  await expect.poll(() => primary(other)).toBe("rgb(59, 63, 140)");
  await expect(other.getByRole("combobox", { name: "Theme" })).toHaveValue(/^night-/);

  // Before any script of the body ran, the head had the choice: the first paint is the chosen theme.
  await page.addInitScript(() => {
    const seen: string[] = [];
    Object.assign(window, { seen });
    new MutationObserver(() => {
      if (document.body) seen.push(getComputedStyle(document.body).backgroundColor);
    }).observe(document, { childList: true, subtree: true });
  });
  await page.reload();
  await expect(themes).toHaveValue(/^night-/);
  const seen = await page.evaluate(() => (window as unknown as { seen: string[] }).seen);
  expect([...new Set(seen)]).toEqual(["rgb(244, 244, 255)"]);
});

test("mode and primary are switched apart, and what is announced is what was chosen", async ({
  page,
  slug,
  request,
  context,
}) => {
  await serve(context, await files(request, slug));
  await page.goto(ORIGIN);
  await page.getByRole("combobox", { name: "Theme" }).selectOption({ index: 1 });
  const freight = await page.getByRole("combobox", { name: "Theme" }).inputValue();
  await page.getByRole("combobox", { name: "Theme" }).selectOption({ index: 2 });
  await page.getByRole("combobox", { name: "Primary" }).selectOption(freight);
  expect(await ground(page)).toBe("rgb(244, 244, 255)");
  expect(await primary(page)).toBe("rgb(228, 87, 46)");
  const announced = page.evaluate(
    () =>
      new Promise((resolve) =>
        addEventListener("themechange", (e) => resolve((e as CustomEvent).detail), { once: true }),
      ),
  );
  await page.getByRole("combobox", { name: "Mode" }).selectOption("dark");
  expect(await announced).toMatchObject({ mode: "dark", primary: freight });
  expect(await ground(page)).toBe("rgb(16, 16, 32)");
  await page.getByRole("combobox", { name: "Mode" }).selectOption("system");
  expect(await ground(page)).toBe("rgb(244, 244, 255)");
});

test("brand colours of one theme play its primary part, and what it stands on", async ({
  page,
  slug,
  request,
  context,
}) => {
  const { spec } = await (await request.get(`/api/themes/${slug}`)).json();
  const brand = [...spec.brand, { name: "Sand", slug: "sand", color: "#f3ead7" }];
  const options = { primary: "buoy", surface: "sand" };
  const data = { spec: { ...spec, brand }, target: "switch", options };
  const written = await (await request.post("/api/export", { data })).json();
  expect(written.warnings).toEqual([]);
  const fields = `<theme-select for="primary" label="Primary"></theme-select>
    <theme-select for="surface" label="Surface"></theme-select><script type="module" src="/switch.js"></script>`;
  const byPath = Object.fromEntries(
    written.files.map((f: { path: string; text: string }) => [f.path, f.text]),
  );
  await serve(context, byPath, fields);
  await page.goto(ORIGIN);
  const [first, white] = [await primary(page), await ground(page)];
  const primaries = page.getByRole("combobox", { name: "Primary" });
  await expect(primaries.getByRole("option")).toHaveText(["Petrol", "Buoy"]);
  await primaries.selectOption("Buoy");
  await expect.poll(() => primary(page)).toBe("rgb(228, 87, 46)");
  expect(await ground(page)).toBe(white);
  await page.getByRole("combobox", { name: "Surface" }).selectOption("Sand");
  await expect.poll(() => ground(page)).toBe("rgb(243, 234, 215)");
  await page.reload();
  await expect(primaries).toHaveValue("buoy");
  expect(await ground(page)).toBe("rgb(243, 234, 215)");
  await primaries.selectOption("Petrol");
  await expect.poll(() => primary(page)).toBe(first);
});

test("without a script the system's mode holds, and storage that is refused breaks nothing", async ({
  page,
  slug,
  request,
  context,
  browser,
}) => {
  const written = await files(request, slug);
  const bare = await browser.newContext({ javaScriptEnabled: false, colorScheme: "dark" });
  await serve(bare, written, "");
  const still = await bare.newPage();
  await still.goto(ORIGIN);
  const scheme = await still.locator("body").evaluate((node) => getComputedStyle(node).backgroundColor);
  await bare.close();
  await serve(context, written);
  await page.emulateMedia({ colorScheme: "dark" });
  await page.addInitScript(() =>
    Object.defineProperty(window, "localStorage", {
      get: () => {
        throw new Error("refused");
      },
    }),
  );
  await page.goto(ORIGIN);
  expect(await ground(page)).toBe(scheme);
  await page.getByRole("combobox", { name: "Mode" }).selectOption("light");
  await expect.poll(() => ground(page)).not.toBe(scheme);
});

/** Colours as a browser computes them, by name. */
async function painted(page: Page, colors: [name: string, css: string][]): Promise<Record<string, string>> {
  return page.evaluate((colors) => {
    const box = document.body.appendChild(document.createElement("i"));
    const of = (css: string) => {
      box.style.color = css;
      return getComputedStyle(box).color;
    };
    return Object.fromEntries(colors.map(([name, css]) => [name, of(css)]));
  }, colors);
}

interface Color {
  kind: string;
  css: string;
  light: { value: string };
  dark?: { value: string };
}

for (const asked of ["system", "attribute"] as const) {
  test(`with more contrast by ${asked} every theme has the values of that level in both modes`, async ({
    page,
    slug,
    request,
    context,
  }) => {
    const written = await files(request, slug);
    await serve(context, written, "");
    await page.emulateMedia({ contrast: asked === "system" ? "more" : "no-preference" });
    await page.goto(ORIGIN);
    const slugs = [...(written["switch.d.ts"] ?? "").matchAll(/"([\w-]+)"/g)].map((m) => m[1] ?? "");
    const themes = await (await request.get("/api/themes")).json();
    for (const theme of slugs.filter((s) => themes.some((t: { slug: string }) => t.slug === s))) {
      const { spec } = await (await request.get(`/api/themes/${theme}`)).json();
      for (const level of ["more", "usual"]) {
        const { tokens } = await (await request.post("/api/derive", { data: { spec, level } })).json();
        const colors: Color[] = tokens.filter((t: Color) => t.kind === "color");
        for (const mode of ["light", "dark"] as const) {
          await page.evaluate(
            ([theme, mode, contrast]) => {
              const root = document.documentElement;
              root.setAttribute("data-theme", theme ?? "");
              root.setAttribute("data-mode", mode ?? "");
              root.removeAttribute("data-contrast");
              if (contrast) root.setAttribute("data-contrast", contrast);
            },
            [theme, mode, level === "usual" ? "usual" : asked === "attribute" ? "more" : ""],
          );
          const found = await painted(
            page,
            colors.map((t) => [t.css, `var(${t.css})`]),
          );
          const expected = await painted(
            page,
            colors.map((t) => [t.css, (t[mode] ?? t.light).value]),
          );
          expect(found, `${theme} ${mode} ${level}`).toEqual(expected);
        }
      }
    }
    expect(slugs.length).toBeGreaterThanOrEqual(3);
  });
}
