// A theme of 40 scales and 2,000 own tokens, for measures.
const code = (i) => `#${((i * 7919 + 0x123456) % 0x1000000).toString(16).padStart(6, "0")}`;

const brand = Array.from({ length: 40 }, (_, i) => ({
  name: `Brand ${i}`,
  slug: `brand-${i}`,
  color: code(i * 131),
}));
const own = (i) =>
  [
    { value: code(i) },
    { light: "#123456", dark: "#abcdef" },
    { value: `{brand-${i % 40}.500}` },
    { kind: "dimension", value: `${i % 64}px` },
  ][i % 4];
const tokens = Object.fromEntries(
  Array.from({ length: 2000 }, (_, i) => [`part-${i % 50}.own-${i}`, own(i)]),
);

export const post = (address, path, body) =>
  fetch(address + path, {
    method: "POST",
    headers: { "content-type": "application/json" },
    body: JSON.stringify(body),
  });

/** Makes it on a server; what the server answered, and how to remove it. */
export async function makeLarge(address) {
  const spec = { format: 1, name: `Large ${Date.now()}`, brand, tokens };
  const made = await (await post(address, "/api/themes", { spec })).json();
  const remove = async () => {
    const { revision } = await (await fetch(`${address}/api/themes/${made.slug}`)).json();
    await fetch(`${address}/api/themes/${made.slug}`, {
      method: "DELETE",
      headers: { "if-match": `"${revision}"` },
    });
  };
  return { spec, made, remove };
}

/** A page whose long tasks are told: `long(what)` prints those since it was asked last. */
export async function watched(browser) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.addInitScript(() => {
    window.long = [];
    new PerformanceObserver((list) =>
      window.long.push(...list.getEntries().map((e) => Math.round(e.duration))),
    ).observe({ type: "longtask", buffered: true });
  });
  const told = { below: 0, all: 0, most: 0 };
  const long = async (what) => {
    await page.waitForTimeout(1200);
    const found = await page.evaluate(() => window.long.splice(0));
    told.all += 1;
    told.below += found.length === 0 ? 1 : 0;
    told.most = Math.max(told.most, ...found);
    console.log(`${what}: ${found.length} long tasks${found.length > 0 ? `, ${found.join(", ")} ms` : ""}`);
  };
  // Looking for an element is a task of whoever measures.
  const forget = async () => {
    await page.waitForTimeout(300);
    await page.evaluate(() => window.long.splice(0));
  };
  return { page, long, forget, told };
}
