// Compiles the Sass and Less files of a folder and prints what came out, as JSON.
import { readFileSync } from "node:fs";
import { join } from "node:path";
import less from "less";
import * as sass from "sass";

const folder = process.argv[2];
const silenceDeprecations = ["import", "global-builtin"];
const compile = (source) => sass.compileString(source, { loadPaths: [folder], silenceDeprecations }).css;
const declarations = (css) =>
  Object.fromEntries([...css.matchAll(/^\s*(?:--)?([\w-]+): (.*);$/gm)].map((m) => [m[1], m[2]]));

const mode = (name, mixin = "mode") =>
  declarations(compile(`@use "theme"; a { @include theme.${mixin}(${name}); }`));

async function lessMode(name) {
  const source = readFileSync(join(folder, "theme.less"), "utf8");
  const block = source.slice(source.indexOf(`@theme-${name}: {`)).split("\n}")[0];
  const names = [...block.matchAll(/^ {2}([\w-]+):/gm)].map((m) => m[1]);
  const uses = names.map((n) => `${n}: @theme-${name}[${n}];`).join("\n");
  return declarations((await less.render(`@import "theme";\na {\n${uses}\n}`, { paths: [folder] })).css);
}

function failure(source) {
  try {
    return compile(source);
  } catch (error) {
    return error.message;
  }
}

console.log(
  JSON.stringify({
    sass: { light: mode("light"), dark: mode("dark") },
    less: { light: await lessMode("light"), dark: await lessMode("dark") },
    more: {
      sass: { light: mode("light", "mode-more"), dark: mode("dark", "mode-more") },
      less: { light: await lessMode("light-more"), dark: await lessMode("dark-more") },
    },
    overridden: declarations(
      compile('@use "theme" with ($petrol-600: #123456); a { b: theme.token("bar-fill", dark); }'),
    ).b,
    framework: compile('@import "before"; @import "variables"; @import "after"; @import "components";'),
    error: failure('@use "theme"; a { b: theme.token("primary-fil"); }'),
    step: declarations(
      (await less.render('@import "theme"; a { b: @petrol-steps[s600]; }', { paths: [folder] })).css,
    ).b,
  }),
);
