// Compiles and loads every file of a folder and prints the family of body text as each has it.
import { spawnSync } from "node:child_process";
import { readFileSync, writeFileSync } from "node:fs";
import { dirname, join, resolve } from "node:path";
import { fileURLToPath, pathToFileURL } from "node:url";
import less from "less";
import * as sass from "sass";

const folder = resolve(process.argv[2]);
const here = dirname(fileURLToPath(import.meta.url));
const after = (css) => css.match(/family: ([\s\S]*);\n/)[1];

const scripts = ["theme.ts", "theme.react.ts", "theme.vue.ts", "theme.scales.ts"];
const options = [
  "--strict",
  "--target",
  "es2022",
  "--module",
  "esnext",
  "--types",
  "",
  "--outDir",
  join(folder, "out"),
];
const tsc = spawnSync(
  process.execPath,
  [resolve(here, "../node_modules/typescript/bin/tsc"), ...options, ...scripts.map((s) => join(folder, s))],
  { encoding: "utf8" },
);
if (tsc.status !== 0) {
  console.error(tsc.stdout + tsc.stderr);
  process.exit(1);
}
writeFileSync(join(folder, "package.json"), '{ "type": "module" }');
const load = (path) => import(pathToFileURL(join(folder, path)).href);
const bodies = {
  typescript: (await load("out/theme.js")).tokens.light.typeFamilyBody,
  "react-theme": (await load("out/theme.react.js")).lightTheme.typography.fontFamily,
  "vue-theme": (await load("out/theme.vue.js")).themes.dark.variables["type-family-body"],
  "scales-preset": (await load("out/theme.scales.js")).preset.extend.tokens.light.type["family-body"],
  "utility-js": (await load("theme.preset.js")).default.theme.extend.fontFamily.body,
};
const code = readFileSync(join(folder, "theme.mantine.ts"), "utf8");
const start = code.indexOf("createTheme({") + "createTheme(".length;
bodies.mantine = new Function(`return ${code.slice(start, code.indexOf("});", start) + 1)}`)().fontFamily;
bodies.sass = after(
  sass.compileString('@use "theme"; a { family: theme.$type-family-body; }', { loadPaths: [folder] }).css,
);
bodies.less = after(
  (await less.render('@import "theme"; a { family: @type-family-body; }', { paths: [folder] })).css,
);
console.log(JSON.stringify(bodies));
