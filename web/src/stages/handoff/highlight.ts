import type { LanguageFn } from "highlight.js";
import hljs from "highlight.js/lib/core";

type Load = () => Promise<{ default: LanguageFn }>;

/** Languages by the endings of files; each is fetched with the first file of it. */
const LANGUAGES: Record<string, Load> = {
  css: () => import("highlight.js/lib/languages/css"),
  dart: () => import("highlight.js/lib/languages/dart"),
  html: () => import("highlight.js/lib/languages/xml"),
  js: () => import("highlight.js/lib/languages/javascript"),
  json: () => import("highlight.js/lib/languages/json"),
  kt: () => import("highlight.js/lib/languages/kotlin"),
  less: () => import("highlight.js/lib/languages/less"),
  php: () => import("highlight.js/lib/languages/php"),
  scss: () => import("highlight.js/lib/languages/scss"),
  svg: () => import("highlight.js/lib/languages/xml"),
  swift: () => import("highlight.js/lib/languages/swift"),
  ts: () => import("highlight.js/lib/languages/typescript"),
  xml: () => import("highlight.js/lib/languages/xml"),
};

const endingOf = (path: string) => path.split(".").at(-1) ?? "";

/** Whether lines of a file are marked by now; one of no known language stays as it is. */
export const isKnown = (path: string): boolean => !!hljs.getLanguage(endingOf(path));

/** Fetches the language of a file. */
export async function know(path: string): Promise<void> {
  const ending = endingOf(path);
  const language = await LANGUAGES[ending]?.();
  if (language) hljs.registerLanguage(ending, language.default);
}

/** A line as HTML with its parts marked; the highlighter escapes what it is given. */
export function highlighted(line: string, path: string): string {
  const language = endingOf(path);
  const escaped = () => line.replace(/&/g, "&amp;").replace(/</g, "&lt;");
  return isKnown(path) ? hljs.highlight(line, { language, ignoreIllegals: true }).value : escaped();
}
