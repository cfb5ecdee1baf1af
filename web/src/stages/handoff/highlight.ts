import hljs from "highlight.js/lib/core";
import css from "highlight.js/lib/languages/css";
import dart from "highlight.js/lib/languages/dart";
import javascript from "highlight.js/lib/languages/javascript";
import json from "highlight.js/lib/languages/json";
import kotlin from "highlight.js/lib/languages/kotlin";
import less from "highlight.js/lib/languages/less";
import php from "highlight.js/lib/languages/php";
import scss from "highlight.js/lib/languages/scss";
import swift from "highlight.js/lib/languages/swift";
import typescript from "highlight.js/lib/languages/typescript";
import xml from "highlight.js/lib/languages/xml";

const languages = { css, dart, javascript, json, kotlin, less, php, scss, swift, typescript, xml };
for (const [name, language] of Object.entries(languages)) hljs.registerLanguage(name, language);

const ENDINGS: Record<string, keyof typeof languages> = {
  css: "css",
  dart: "dart",
  html: "xml",
  js: "javascript",
  json: "json",
  kt: "kotlin",
  less: "less",
  php: "php",
  scss: "scss",
  svg: "xml",
  swift: "swift",
  ts: "typescript",
  xml: "xml",
};

/** A line as HTML with its parts marked; the highlighter escapes what it is given. */
export function highlighted(line: string, path: string): string {
  const language = ENDINGS[path.split(".").at(-1) ?? ""];
  const escaped = () => line.replace(/&/g, "&amp;").replace(/</g, "&lt;");
  return language ? hljs.highlight(line, { language, ignoreIllegals: true }).value : escaped();
}
