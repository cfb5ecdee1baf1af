import { answer, api, type components } from "../api/client";
import { FACE_KINDS, type Face, type FaceKind, withFallbacks } from "./faces";

export type WebFace = components["schemas"]["WebFace"];

let asked: Promise<WebFace[]> | undefined;

/** What the web-font service has; asked once, and again after it failed. */
export function webFaces(): Promise<WebFace[]> {
  asked ??= answer(api.GET("/api/fonts")).catch((error) => {
    asked = undefined;
    throw error;
  });
  return asked;
}

/** A face of the service as one that can be chosen. */
export function asFace({ family, kind, weights, scripts, sheet }: WebFace): Face {
  const known = FACE_KINDS.find((one): one is FaceKind => one === kind) ?? "sans";
  return {
    name: family,
    kind: known,
    families: withFallbacks(family, known),
    weights: [weights[0] ?? 400, weights[1] ?? 400],
    scripts,
    sheet,
  };
}

/** Has a document know a face of the service; its file comes once something is set in it. */
export function linkFace(page: Document, family: string) {
  const href = `/api/fonts/sheet?family=${encodeURIComponent(family)}`;
  if (page.head.querySelector(`link[href="${CSS.escape(href)}"]`)) return;
  const link = page.createElement("link");
  link.rel = "stylesheet";
  link.href = href;
  page.head.append(link);
}

/** Has a document know those faces of the service that its style sheets name. */
export function linkNamedFaces(page: Document, sheets: string[]) {
  webFaces().then(
    (faces) => {
      for (const { family } of faces)
        if (sheets.some((sheet) => sheet.includes(family))) linkFace(page, family);
    },
    // Away: what stands behind the face is shown.
    () => undefined,
  );
}
