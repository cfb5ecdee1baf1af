import type { APIRequestContext, Locator, Page } from "@playwright/test";
import { expect, test } from "./rhodon";

/** What a browser makes of the site style sheet: every state of every element that it colours. */

const PAGE = `
  <header class="site-header">
    <a class="site-title" href="#t">Port Anlow</a>
    <h2>Timetable</h2>
    <a class="plain" href="#x">Sailings</a>
    <a class="button" href="#b">Book</a>
  </header>
  <main>
    <h1>Sailings</h1>
    <p>The <a class="plain" href="#y">night boat</a> leaves at ten.</p>
    <a class="button" href="#z">Reserve</a>
    <button>Pay</button>
    <input type="submit" value="Send">
    <input type="text" value="Two cars">
    <textarea>Dogs aboard</textarea>
    <select><option>Berth</option></select>
  </main>`;

/** Brands that are hard for text, and some by a fixed draw. */
function brands(): string[][] {
  let seed = 20;
  const next = () => {
    seed = (seed * 1103515245 + 12345) % 2147483648;
    return `#${(seed % 16777216).toString(16).padStart(6, "0")}`;
  };
  const drawn = Array.from({ length: 3 }, () => [next(), next(), next()]);
  return [["#0f5c7a", "#e4572e"], ["#000000"], ["#ffffff"], ["#ffd400"], ["#777777"], ...drawn];
}

async function sheet(request: APIRequestContext, colors: string[]): Promise<string> {
  const brand = colors.map((color, i) => ({ name: `Colour ${i + 1}`, slug: `c${i + 1}`, color }));
  const spec = { format: 1, name: "Site", brand };
  const written = await request.post("/api/export", { data: { spec, target: "site-css", options: {} } });
  expect(written.status()).toBe(200);
  return (await written.json()).files[0].text;
}

/** Contrast of an element's text against the first ground around it that is painted (WCAG 2.2). */
function contrast(element: Locator): Promise<number> {
  return element.evaluate((node) => {
    const channels = (color: string) => (color.match(/[\d.]+/g) ?? []).map(Number);
    const luminance = (color: string) => {
      const linear = channels(color)
        .slice(0, 3)
        .map((c) => (c / 255 <= 0.04045 ? c / 255 / 12.92 : ((c / 255 + 0.055) / 1.055) ** 2.4));
      return 0.2126 * (linear[0] ?? 0) + 0.7152 * (linear[1] ?? 0) + 0.0722 * (linear[2] ?? 0);
    };
    let ground: Element | null = node;
    const painted = (e: Element) => channels(getComputedStyle(e).backgroundColor)[3] !== 0;
    while (ground && !painted(ground)) ground = ground.parentElement;
    const text = luminance(getComputedStyle(node).color);
    const under = luminance(getComputedStyle(ground ?? document.body).backgroundColor);
    return (Math.max(text, under) + 0.05) / (Math.min(text, under) + 0.05);
  });
}

async function states(page: Page, element: Locator): Promise<Record<string, number>> {
  const found: Record<string, number> = { rest: await contrast(element) };
  const passive = await element.evaluate((node) => node.matches("h1, h2, p"));
  if (passive) return found;
  await element.hover();
  found.hover = await contrast(element);
  await page.mouse.down();
  found.pressed = await contrast(element);
  await page.mouse.move(0, 0);
  await page.mouse.up();
  await element.focus();
  found.focus = await contrast(element);
  await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
  return found;
}

test("every state of every element of the site sheet reads", async ({ page, request }) => {
  test.setTimeout(180_000);
  const parts = "h1, h2, p, a, button, input, textarea, select";
  for (const colors of brands()) {
    const css = await sheet(request, colors);
    for (const colorScheme of ["light", "dark"] as const) {
      await page.emulateMedia({ colorScheme });
      await page.setContent(
        `<!doctype html><html><head><style>${css}</style></head><body>${PAGE}</body></html>`,
      );
      for (const element of await page.locator(parts).all()) {
        const name = `${colors.join(" ")} ${colorScheme} ${await element.evaluate((n) => n.outerHTML.slice(0, 40))}`;
        for (const [state, ratio] of Object.entries(await states(page, element)))
          expect(ratio, `${name} ${state}`).toBeGreaterThanOrEqual(4.5);
      }
    }
  }
});

test("headings of the site sheet get smaller in order", async ({ page, request }) => {
  const css = await sheet(request, ["#0f5c7a"]);
  const headings = [1, 2, 3, 4, 5, 6].map((n) => `<h${n}>h</h${n}>`).join("");
  await page.setContent(`<html><head><style>${css}</style></head><body>${headings}</body></html>`);
  const sizes = await page
    .locator("h1, h2, h3, h4, h5, h6")
    .evaluateAll((all) => all.map((node) => Number.parseFloat(getComputedStyle(node).fontSize)));
  expect(sizes).toEqual([...sizes].sort((a, b) => b - a));
  expect(new Set(sizes).size).toBe(6);
});
