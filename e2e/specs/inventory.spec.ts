import { execFileSync } from "node:child_process";
import { readdirSync, readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { type Declaration, generate, lexer, parse, walk } from "css-tree";
import { expect, open, openSource, saved, savedSpec, test } from "./rhodon";

const MODULES = join(import.meta.dirname, "../../web/node_modules");
const FUNCTIONS = ["rgb", "rgba", "hsl", "hsla", "hwb", "lab", "lch", "oklab", "oklch", "color"];

/** Style sheets that lie in packages, the smaller ones first: enough of them to be sure. */
function sheets(): string[] {
  const all = readdirSync(MODULES, { recursive: true, withFileTypes: true });
  const css = all.filter((entry) => entry.isFile() && entry.name.endsWith(".css"));
  return css.map((entry) => join(entry.parentPath, entry.name)).sort();
}

/** Names that are colours by the grammar of their property; of a custom property its whole value. */
function names(declaration: Declaration): string[] {
  if (declaration.property.startsWith("--"))
    return lexer.match("<named-color>", declaration.value).matched ? [generate(declaration.value)] : [];
  const found = lexer.findDeclarationValueFragments(declaration, "Type", "named-color");
  return found.flatMap(({ nodes }) => nodes.toArray().map((node) => generate(node)));
}

/** Hex codes, colour functions and names in values, counted by another parser. */
function counted(text: string): Map<string, number> {
  const found = new Map<string, number>();
  const add = (spelling: string) => found.set(spelling, (found.get(spelling) ?? 0) + 1);
  const tree = parse(text, { parseCustomProperty: true });
  walk(tree, (node) => {
    if (node.type !== "Declaration") return;
    for (const name of names(node)) add(name.toLowerCase());
    walk(node.value, function (part) {
      if (part.type === "Hash" && /^([0-9a-f]{3,4}|[0-9a-f]{6}|[0-9a-f]{8})$/i.test(part.value))
        add(`#${part.value.toLowerCase()}`);
      if (part.type === "Function" && FUNCTIONS.includes(part.name.toLowerCase())) {
        const spelt = generate(part);
        // With a variable in it, it is no colour yet; what it holds counts by itself.
        if (/var\(|env\(|calc\(|from /.test(spelt)) return;
        add(part.name.toLowerCase());
        return this.skip;
      }
    });
  });
  return found;
}

test("colours in the style sheets of packages are counted as another parser counts them", ({
  baseURL: _,
}, info) => {
  const files = sheets();
  expect(files.length).toBeGreaterThan(100);
  const expected = new Map<string, number>();
  for (const file of files)
    for (const [spelling, count] of counted(readFileSync(file, "utf8")))
      expected.set(spelling, (expected.get(spelling) ?? 0) + count);
  const list = info.outputPath("list.txt");
  writeFileSync(list, files.join("\n"));
  const binary = process.env.RHODON_BINARY ?? "";
  const out = execFileSync(binary, ["inventory", "--json", ...files], {
    encoding: "utf8",
    maxBuffer: 1 << 28,
  });
  const found = new Map<string, number>();
  for (const line of out.trim().split("\n")) {
    for (const place of JSON.parse(line).places as { text: string }[]) {
      const spelling = place.text.toLowerCase();
      const key = /^[a-z]+(?=\()/.exec(spelling)?.[0] ?? spelling;
      found.set(key, (found.get(key) ?? 0) + 1);
    }
  }
  const sorted = (map: Map<string, number>) => [...map].sort(([a], [b]) => a.localeCompare(b));
  expect(sorted(found)).toEqual(sorted(expected));
});

test("a name becomes an own token, a recognised scale comes with its steps", async ({
  page,
  slug,
  request,
}) => {
  const sheet = `:root { --panel-edge: #112233; --tide-100: #ebf8ff; --tide-300: #90cdf4;
    --tide-500: #2b6cb0; --tide-700: #2a4365; --tide-900: #1a2f4d }
    .panel { border-color: #112233 }`;
  await open(page, slug, "brand");
  await openSource(page, "files");
  const buffer = Buffer.from(sheet);
  const chosen = [{ name: "site.css", mimeType: "text/css", buffer }];
  const files = page.getByRole("region", { name: "Files", exact: true });
  await files.locator("input[type=file]:not([webkitdirectory])").setInputFiles(chosen);
  const wall = page.getByRole("list", { name: "Colours in use" });
  await wall.getByRole("button", { name: /#112233/ }).click();
  await page.getByRole("button", { name: "Own token --panel-edge" }).click();
  await saved(page, 2);
  const { tokens } = (await savedSpec(request, slug)) as { tokens: Record<string, { value: string }> };
  expect(tokens["panel.edge"]).toEqual({ value: "#112233" });

  const scales = page.getByRole("list", { name: "Scales that were recognised" });
  await scales.getByRole("button", { name: "add with its steps" }).click();
  await saved(page, 3);
  const spec = (await savedSpec(request, slug)) as { scales: Record<string, { pins: object; at: string }> };
  expect(spec.scales.tide).toMatchObject({
    at: "500",
    pins: { "100": "#ebf8ff", "300": "#90cdf4", "700": "#2a4365", "900": "#1a2f4d" },
  });
  await page.keyboard.press("Control+z");
  await expect(page.getByRole("list", { name: "Brand colours" })).not.toContainText("Tide");
});
