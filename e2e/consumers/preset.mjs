// Loads the presets of a folder as a utility-class framework would and prints what they give.
import { readdirSync } from "node:fs";
import { join, resolve } from "node:path";
import { pathToFileURL } from "node:url";

const folder = resolve(process.argv[2]);
const stock = { stone: "stock stone", zinc: "stock zinc" };

function texts(value) {
  return typeof value === "string" ? [value] : Object.values(value).flatMap(texts);
}

const out = {};
for (const file of readdirSync(folder)) {
  const preset = (await import(pathToFileURL(join(folder, file)).href)).default;
  const { extend, colors } = preset.theme;
  const chosen = typeof colors === "function" ? colors({ colors: stock }) : extend.colors;
  const base = {};
  for (const plugin of preset.plugins ?? []) plugin({ addBase: (rules) => Object.assign(base, rules) });
  const referred = texts(chosen).flatMap((t) => [...t.matchAll(/var\((--[\w-]+)\)/g)].map((m) => m[1]));
  const light = base[":root"] ?? {};
  const dark = base[':root[data-mode="dark"]'] ?? {};
  const byRole = Object.keys(dark).filter((name) => !(name in light));
  out[file] = {
    colors: chosen,
    extend,
    base,
    missing: [...referred.filter((n) => !(n in light)), ...byRole],
  };
}
console.log(JSON.stringify(out));
