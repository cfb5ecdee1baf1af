import type { APIRequestContext, Page } from "@playwright/test";
import { expect, test } from "./rhodon";

/** What a browser makes of the exported style sheets: the values of every property in both modes. */

type Mode = "light" | "dark";
interface Token {
  css: string;
  kind: string;
  omitted: boolean;
  light: { value: string };
  dark?: { value: string };
}

/** Own tokens of every kind, wide colours, opacities and references. */
const spec = {
  format: 1,
  name: "Every kind",
  brand: [
    { name: "Petrol", slug: "petrol", color: "#0f5c7a" },
    { name: "Lichen", slug: "lichen", color: "#8a9a2b" },
  ],
  scales: { petrol: { alpha: [8, 50] } },
  tokens: {
    "ferry.wake": { light: "{petrol.100}", dark: "{petrol.900}" },
    "ferry.buoy": { value: "color(display-p3 1 0.2 0)" },
    "ferry.mist": { light: "rgb(10 20 30 / 50%)", dark: "rgb(200 210 220 / 25%)" },
    "ferry.gap": { kind: "dimension", value: "12px" },
    "ferry.speed": { kind: "number", value: "17.5" },
  },
  type: { body: ['Harbour "Grotesk"', "serif"] },
};

async function tokens(request: APIRequestContext): Promise<Token[]> {
  const derived = await (await request.post("/api/derive", { data: { spec } })).json();
  return derived.tokens.filter((t: Token) => !t.omitted);
}

async function sheet(
  request: APIRequestContext,
  target: string,
  options: Record<string, string>,
): Promise<string> {
  const written = await request.post("/api/export", { data: { spec, target, options } });
  expect(written.status()).toBe(200);
  return (await written.json()).files.at(-1).text;
}

/** Loads a sheet into an empty page and resolves every property as a colour or as text. */
async function computed(
  page: Page,
  css: string,
  root: string,
  tokens: Token[],
): Promise<Record<string, string>> {
  await page.setContent(
    `<!doctype html><html ${root}><head><style>${css}</style></head><body><i></i></body></html>`,
  );
  return page.evaluate((list) => {
    const probe = document.querySelector("i") as HTMLElement;
    const style = getComputedStyle(document.documentElement);
    const code = (color: string) => {
      // A colour in whatever notation, as the browser paints it in sRGB.
      const m = /^rgba?\((\d+), (\d+), (\d+)(?:, ([\d.]+))?\)$/.exec(color);
      if (!m) return color;
      const hex = (v: number) => Math.round(v).toString(16).padStart(2, "0");
      const alpha = m[4] === undefined ? "" : hex(Number(m[4]) * 255);
      return `#${[m[1], m[2], m[3]].map((v) => hex(Number(v))).join("")}${alpha}`;
    };
    const found: Record<string, string> = {};
    for (const { css, kind } of list) {
      if (kind === "color") {
        probe.style.color = "";
        probe.style.color = `var(${css})`;
        found[css] = code(getComputedStyle(probe).color);
      } else {
        found[css] = style.getPropertyValue(css).trim();
      }
    }
    return found;
  }, tokens);
}

function wanted(token: Token, mode: Mode): string {
  return (mode === "dark" ? (token.dark ?? token.light) : token.light).value;
}

async function check(page: Page, css: string, root: string, mode: Mode, tokens: Token[]) {
  const found = await computed(page, css, root, tokens);
  const wrong = tokens.filter((t) => t.kind === "color" && found[t.css] !== wanted(t, mode));
  expect(wrong.map((t) => `${t.css}: ${found[t.css]} instead of ${wanted(t, mode)}`)).toEqual([]);
  expect(found["--ferry-gap"]).toBe("12px");
  expect(found["--ferry-speed"]).toBe("17.5");
  expect(found["--type-family-body"]).toContain("serif");
  const scheme = await page.evaluate(() => getComputedStyle(document.documentElement).colorScheme);
  expect(scheme.split(" ")).toContain(mode);
}

const STRATEGIES: { mode: string; roots: Record<Mode, string>; system: Record<Mode, Mode> }[] = [
  { mode: "auto", roots: { light: "", dark: "" }, system: { light: "light", dark: "dark" } },
  {
    mode: "auto",
    roots: { light: 'data-mode="light"', dark: 'data-mode="dark"' },
    system: { light: "dark", dark: "light" },
  },
  {
    mode: "attribute",
    roots: { light: "", dark: 'data-mode="dark"' },
    system: { light: "dark", dark: "light" },
  },
  { mode: "class", roots: { light: "", dark: 'class="dark"' }, system: { light: "dark", dark: "light" } },
  { mode: "function", roots: { light: "", dark: "" }, system: { light: "light", dark: "dark" } },
  {
    mode: "function",
    roots: { light: 'data-mode="light"', dark: 'data-mode="dark"' },
    system: { light: "dark", dark: "light" },
  },
];

for (const { mode, roots, system } of STRATEGIES) {
  const how = Object.values(roots).some((r) => r !== "") ? "as the page says" : "as the system says";
  test(`mode ${mode}: every property has its token's value, ${how}`, async ({ page, request }) => {
    const all = await tokens(request);
    expect(all.length).toBeGreaterThan(150);
    const css = await sheet(request, "css", { mode });
    for (const wish of ["light", "dark"] as const) {
      await page.emulateMedia({ colorScheme: system[wish] });
      await check(page, css, roots[wish], wish, all);
    }
  });
}

for (const format of ["rgb", "hsl"]) {
  test(`format ${format} paints the same colours as hex`, async ({ page, request }) => {
    const all = (await tokens(request)).filter((t) => t.css !== "--ferry-buoy");
    await check(page, await sheet(request, "css", { format, mode: "attribute" }), "", "light", all);
  });
}

test("literals paint what references paint", async ({ page, request }) => {
  const all = await tokens(request);
  await page.emulateMedia({ colorScheme: "dark" });
  await check(page, await sheet(request, "css", { references: "literal" }), "", "dark", all);
});

test("the site sheet holds every property and paints a plain page", async ({ page, request }) => {
  const all = await tokens(request);
  await page.emulateMedia({ colorScheme: "dark" });
  const css = await sheet(request, "site-css", {});
  await check(page, css, "", "dark", all);
  await page.setContent(
    `<html><head><style>${css}</style></head><body><a href="#x">x</a><button>b</button></body></html>`,
  );
  const rgb = (hex: string) =>
    `rgb(${[1, 3, 5].map((i) => Number.parseInt(hex.slice(i, i + 2), 16)).join(", ")})`;
  const value = (name: string) => rgb(wanted(all.find((t) => t.css === name) as Token, "dark"));
  await expect(page.locator("body")).toHaveCSS("background-color", value("--surface-base"));
  await expect(page.getByRole("link")).toHaveCSS("color", value("--link-rest"));
  await page.getByRole("button").hover();
  await expect(page.getByRole("button")).toHaveCSS("background-color", value("--primary-fill-hover"));
});

test("the utility classes of the class sheet paint with the style sheet", async ({ page, request }) => {
  const css = `${await sheet(request, "css", { prefix: "bsf" })}${await sheet(request, "css-classes", { prefix: "bsf" })}`;
  await page.setContent(
    `<html><head><style>${css}</style></head><body><p class="text-petrol-600 bg-lichen-100 border-danger">p</p><b class="bg-primary">b</b></body></html>`,
  );
  await expect(page.locator("p")).toHaveCSS("color", "rgb(15, 92, 122)");
  await expect(page.locator("b")).toHaveCSS("background-color", "rgb(15, 92, 122)");
});

interface Raised {
  path: string;
  mode: Mode;
  value: string;
}

/** Tokens as they are where more contrast is asked for. */
async function raisedTokens(request: APIRequestContext): Promise<(Token & { raised: boolean })[]> {
  const derived = await (await request.post("/api/derive", { data: { spec } })).json();
  const raised: Raised[] = derived.more.cells;
  expect(raised.length).toBeGreaterThan(20);
  const at = (path: string, mode: Mode, usual: string) =>
    raised.find((r) => r.path === path && r.mode === mode)?.value ?? usual;
  return derived.tokens
    .filter((t: Token) => !t.omitted)
    .map((t: Token & { path: string }) => ({
      ...t,
      raised: raised.some((r) => r.path === t.path),
      light: { value: at(t.path, "light", t.light.value) },
      dark: { value: at(t.path, "dark", (t.dark ?? t.light).value) },
    }));
}

for (const { mode, roots, system } of STRATEGIES) {
  for (const asked of ["system", "attribute"] as const) {
    test(`more contrast by ${asked}, ${mode} ${roots.dark}: every property has the level's value`, async ({
      page,
      request,
    }) => {
      const list = await raisedTokens(request);
      for (const format of ["hex", "both"]) {
        const css = await sheet(request, "css", { mode, format });
        for (const half of ["light", "dark"] as const) {
          await page.emulateMedia({
            colorScheme: system[half],
            contrast: asked === "system" ? "more" : "no-preference",
          });
          const root = `${roots[half]} ${asked === "attribute" ? 'data-contrast="more"' : ""}`;
          // The upgrade tells all else in notations of its own.
          const told = list.filter((t) => format === "hex" || t.raised || t.kind !== "color");
          await check(page, css, root, half, told);
        }
      }
      // The usual contrast is to be had where the system asks for more.
      await page.emulateMedia({ colorScheme: system.light, contrast: "more" });
      const css = await sheet(request, "css", { mode });
      await check(page, css, `${roots.light} data-contrast="usual"`, "light", await tokens(request));
    });
  }
}

test("components keep their states apart in the system's own colours", async ({ page, request }) => {
  await page.emulateMedia({ forcedColors: "active" });
  const css = (await sheet(request, "css", {})) + (await sheet(request, "css-components", {}));
  await page.setContent(`<!doctype html><style>${css}</style>
    <button class="button">rest</button><button class="button is-hover">hover</button>
    <button class="button is-pressed">pressed</button><button class="button is-focus">focus</button>
    <button class="button" disabled>disabled</button>
    <div role="tablist"><button class="tab" role="tab" aria-selected="true">one</button><button class="tab" role="tab">two</button></div>
    <span class="badge">late</span><div class="notice">fog</div><div class="card">card</div>`);
  const looks = await page.locator("button, .badge, .notice, .card").evaluateAll((all) =>
    all.map((node) => {
      const { borderTopWidth, borderTopColor, borderTopStyle, outlineWidth, outlineStyle, color } =
        getComputedStyle(node);
      return {
        text: node.textContent,
        borderTopWidth,
        borderTopColor,
        borderTopStyle,
        outlineWidth,
        outlineStyle,
        color,
      };
    }),
  );
  for (const { text, borderTopWidth, borderTopStyle } of looks) {
    expect([text, Number.parseFloat(borderTopWidth) > 0, borderTopStyle]).toEqual([text, true, "solid"]);
  }
  const [rest, hover, pressed, focus, disabled, one, two] = looks.map(({ text: _, ...look }) =>
    JSON.stringify(look),
  );
  expect(new Set([rest, hover, pressed, focus, disabled]).size).toBe(5);
  expect(one).not.toBe(two);
});
