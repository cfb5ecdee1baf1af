// Compiles the TypeScript files of a folder strictly, with code that uses them, runs what comes
// out and prints what each file exports, as JSON.
import { spawnSync } from "node:child_process";
import { readdirSync, readFileSync, writeFileSync } from "node:fs";
import { basename, dirname, join, resolve } from "node:path";
import { fileURLToPath, pathToFileURL } from "node:url";

const folder = resolve(process.argv[2]);
const here = dirname(fileURLToPath(import.meta.url));
const web = resolve(here, "../../web/node_modules");

// What a component framework's types look like from outside.
writeFileSync(
  join(folder, "component-kit.d.ts"),
  `declare module "component-kit" {
  export interface PaletteColor { light: string; main: string; dark: string; contrastText: string }
  export interface Palette { mode: "light" | "dark"; primary: PaletteColor; error: PaletteColor }
  export interface PaletteOptions { mode?: "light" | "dark"; primary?: PaletteColor; error?: PaletteColor }
  export interface Theme { palette: Palette }
  export interface ThemeOptions { palette?: PaletteOptions; typography?: object; shape?: { borderRadius: number } }
  export function createTheme(options: ThemeOptions): Theme;
}
`,
);
writeFileSync(
  join(folder, "usage.ts"),
  `import { createTheme } from "component-kit";
import { type ColorName, type ScaleName, type TokenName, tokens } from "./theme";
import { theme as own, variables } from "./theme.mantine";
import { darkTheme, lightTheme } from "./theme.react";
import { preset } from "./theme.scales";
import { themes } from "./theme.vue";

const name: TokenName = "petrol600";
const color: ColorName = "primaryFillHover";
const scale: ScaleName = "petrol";
// @ts-expect-error no such token
const unknown: TokenName = "petrol601";
// @ts-expect-error a size is no colour
const size: ColorName = "typeSizeBody";
const fill: "#0f5c7a" = tokens.light.petrol600;
const kit = createTheme(lightTheme);
const accent: string = kit.palette.accent.main;
const token: string = kit.tokens.primaryFill;
// @ts-expect-error no such intent
kit.palette.nothing;
const vue: Record<string, { dark: boolean; colors: Record<string, string>; variables: Record<string, string | number> }> = themes;
const step: string = preset.semantic.primary[500];
export const used = [name, color, scale, unknown, size, fill, accent, token, vue, step, createTheme(darkTheme), own, variables];
`,
);
writeFileSync(
  join(folder, "tsconfig.json"),
  JSON.stringify({
    compilerOptions: {
      target: "es2022",
      module: "esnext",
      moduleResolution: "bundler",
      strict: true,
      noUncheckedIndexedAccess: true,
      exactOptionalPropertyTypes: true,
      skipLibCheck: true,
      types: [],
      outDir: "out",
      rootDir: ".",
      jsx: "react-jsx",
      paths: {
        "@mantine/core": [join(web, "@mantine/core")],
        react: [join(web, "@types/react")],
        "react/jsx-runtime": [join(web, "@types/react/jsx-runtime")],
      },
    },
    files: [
      "component-kit.d.ts",
      "usage.ts",
      "theme.ts",
      "theme.react.ts",
      "theme.vue.ts",
      "theme.scales.ts",
      "theme.mantine.ts",
    ],
  }),
);
const tsc = spawnSync(process.execPath, [resolve(here, "../node_modules/typescript/bin/tsc"), "-p", folder], {
  encoding: "utf8",
});
if (tsc.status !== 0) {
  console.error(tsc.stdout + tsc.stderr);
  process.exit(1);
}

const out = {};
writeFileSync(join(folder, "out/package.json"), '{ "type": "module" }');
for (const file of readdirSync(join(folder, "out")).filter((f) => f.startsWith("theme"))) {
  const path = join(folder, "out", file);
  // The framework itself is not needed to see what is given to it.
  const code = readFileSync(path, "utf8").replace(
    /^import .* from "@mantine\/core";$/m,
    "const createTheme = (theme) => theme;",
  );
  writeFileSync(path, code);
  const exported = await import(pathToFileURL(path).href);
  const called = Object.entries(exported).map(([k, v]) => [k, typeof v === "function" ? v({}) : v]);
  out[basename(file, ".js")] = Object.fromEntries(called);
}
console.log(JSON.stringify(out));
