// Compiles the TypeScript files of a folder strictly, with code that uses them, runs what comes
// out and prints what each file exports, as JSON.
import { spawnSync } from "node:child_process";
import { copyFileSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from "node:fs";
import { basename, dirname, join, resolve } from "node:path";
import { fileURLToPath, pathToFileURL } from "node:url";

const folder = resolve(process.argv[2]);
const here = dirname(fileURLToPath(import.meta.url));
const web = resolve(here, "../../web/node_modules");

// What a component framework's types look like from outside, and two of its components.
const component = (name) => `declare module "component-kit/${name}" {
  export interface ${name}PropsColorOverrides {}
  export type ${name}Color = "primary" | "error" | keyof ${name}PropsColorOverrides;
}
`;
const named = [
  ...readFileSync(join(folder, "theme.react.types.ts"), "utf8").matchAll(/"component-kit\/(\w+)"/g),
];
const components = named.map((m) => m[1]).filter((name) => name !== "styles");
writeFileSync(
  join(folder, "component-kit.d.ts"),
  `declare module "component-kit/styles" {
  export interface PaletteColor { light: string; main: string; dark: string; contrastText: string }
  export interface Palette { mode: "light" | "dark"; primary: PaletteColor; error: PaletteColor; grey: { 50: string } }
  export interface PaletteOptions { mode?: "light" | "dark"; primary?: PaletteColor; error?: PaletteColor; grey?: { 50: string } }
  export interface Theme { palette: Palette }
  export interface ThemeOptions { palette?: PaletteOptions; typography?: object; shape?: { borderRadius: number }; cssVariables?: boolean; colorSchemes?: object }
  export function createTheme(options: ThemeOptions): Theme;
}
${components.map(component).join("")}`,
);
writeFileSync(
  join(folder, "usage.ts"),
  `import type { ButtonColor } from "component-kit/Button";
import { createTheme } from "component-kit/styles";
import { type ColorName, type ScaleName, type TokenName, tokens } from "./theme";
import { theme as own, variables } from "./theme.mantine";
import { darkTheme, lightTheme, schemesTheme, type ThemeTokens } from "./theme.react";
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
const tokenName: keyof ThemeTokens = "primaryFill";
const button: ButtonColor = "accent";
// @ts-expect-error no such colour
const noButton: ButtonColor = "acent";
// @ts-expect-error no such intent
kit.palette.nothing;
const vue: Record<string, { dark: boolean; colors: Record<string, string>; variables: Record<string, string | number> }> = themes;
const step: string = preset.semantic.primary[500];
export const used = [name, color, scale, unknown, size, fill, accent, token, vue, step, createTheme(darkTheme), createTheme(schemesTheme), own, variables, tokenName, button, noButton];
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
      "theme.react.types.ts",
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

// Declarations beside the files overwrite none of them.
const beside = join(folder, "beside");
mkdirSync(beside);
for (const name of ["theme.react.ts", "theme.react.types.ts", "component-kit.d.ts"])
  copyFileSync(join(folder, name), join(beside, name));
const options = [
  "--ignoreConfig",
  "--declaration",
  "--strict",
  "--target",
  "es2022",
  "--module",
  "esnext",
  "--moduleResolution",
  "bundler",
  "--types",
  "",
];
const declared = spawnSync(
  process.execPath,
  [resolve(here, "../node_modules/typescript/bin/tsc"), ...options, "theme.react.ts", "component-kit.d.ts"],
  { encoding: "utf8", cwd: beside },
);
if (declared.status !== 0) {
  console.error(declared.stdout + declared.stderr);
  process.exit(1);
}

const out = {};
writeFileSync(join(folder, "out/package.json"), '{ "type": "module" }');
for (const file of readdirSync(join(folder, "out")).filter((f) => f.startsWith("theme"))) {
  const path = join(folder, "out", file);
  // The framework itself is not needed to see what is given to it.
  const code = readFileSync(path, "utf8").replace(
    /^import .* from "@mantine\/core";$/m,
    "const createTheme = (theme) => theme; const defaultVariantColorsResolver = () => ({ color: 'stock' });",
  );
  writeFileSync(path, code);
  const exported = await import(pathToFileURL(path).href);
  const called = Object.entries(exported).map(([k, v]) => [k, typeof v === "function" ? v({}) : v]);
  out[basename(file, ".js")] = Object.fromEntries(called);
}
console.log(JSON.stringify(out));
