import { useEffect, useState } from "react";
import { cssFamilies, type Face } from "./faces";

/** How wide a face runs: narrow, usual or wide. */
export type Width = "narrow" | "usual" | "wide";

export const WIDTHS: Width[] = ["narrow", "usual", "wide"];

/** Letters as often as running text has them. */
const SAMPLE = "the harbour office opens at seven and the last ferry leaves before the tide turns".replaceAll(
  " ",
  "",
);
/** Of an em, the mean letter below which a face is narrow and from which it is wide. */
const NARROW = 0.475;
const WIDE = 0.53;

export const widthOf = (em: number): Width => (em < NARROW ? "narrow" : em < WIDE ? "usual" : "wide");

/** Width of a mean letter of a face in em, as the browser sets it; none where it cannot be set. */
async function measured(face: Face): Promise<number | undefined> {
  const font = `400 100px ${cssFamilies(face.families)}`;
  const loaded = await document.fonts.load(font);
  // Before its style sheet is there, what stands behind it would be measured.
  if (loaded.length === 0 && face.kind !== "system") return undefined;
  const context = document.createElement("canvas").getContext("2d");
  if (!context) return undefined;
  context.font = font;
  return context.measureText(SAMPLE).width / SAMPLE.length / 100;
}

/** How wide each face runs, by name, once it was measured. */
export function useWidths(faces: Face[]): Record<string, Width> {
  const [widths, setWidths] = useState<Record<string, Width>>({});
  const names = faces.map((face) => face.name).join("\n");
  // biome-ignore lint/correctness/useExhaustiveDependencies: the same faces need not be measured again
  useEffect(() => {
    let stale = false;
    const measure = async () => {
      const all = await Promise.all(faces.map(async (face) => [face.name, await measured(face)] as const));
      const told = all.flatMap(([name, em]) => (em ? [[name, widthOf(em)] as const] : []));
      if (!stale) setWidths(Object.fromEntries(told));
    };
    void measure();
    // Faces from the web come when they come.
    document.fonts.addEventListener("loadingdone", measure);
    return () => {
      stale = true;
      document.fonts.removeEventListener("loadingdone", measure);
    };
  }, [names]);
  return widths;
}
