import { linkNamedFaces } from "../faces/webFaces";

type Page = Window & typeof globalThis;

/** What each adopted sheet holds, so that one that did not change is not parsed again. */
const held = new WeakMap<CSSStyleSheet, string>();

/** Paints a page of the proof with exported sheets, in the faces that they name. */
export function paintPage(target: Page, sheets: string[]) {
  adopt(target, sheets);
  linkNamedFaces(target.document, sheets);
  // Styled and laid out at once, in the time that is left before the next frame: that one only paints.
  target.document.documentElement.getBoundingClientRect();
}

/** Replaces the text of the adopted sheets, keeping their objects: the page is styled once. */
function adopt(target: Page, sheets: string[]) {
  const adopted = target.document.adoptedStyleSheets;
  if (adopted.length !== sheets.length) {
    target.document.adoptedStyleSheets = sheets.map(() => new target.CSSStyleSheet());
  }
  target.document.adoptedStyleSheets.forEach((sheet, i) => {
    const text = sheets[i] ?? "";
    if (held.get(sheet) === text) return;
    held.set(sheet, text);
    sheet.replaceSync(text);
  });
}
