/** Codes as CSS has them, `0x` with the opacity first as app languages do, and functions. */
export const COLOR =
  /#[0-9a-fA-F]{8}\b|#[0-9a-fA-F]{6}\b|\b0x[0-9a-fA-F]{8}\b|\b(?:rgba?|hsla?|hwb|oklch|oklab|lch|lab|color)\([^()]*\)/;

/** The first colour that a text tells, as CSS; `opacityFirst` where eight digits begin with it. */
export function colorIn(text: string, opacityFirst = false): string | undefined {
  const found = COLOR.exec(text)?.[0];
  if (!found) return undefined;
  const digits = found.replace(/^(#|0x)/, "");
  const turned = digits.length === 8 && (opacityFirst || found.startsWith("0x"));
  if (turned) return `#${digits.slice(2)}${digits.slice(0, 2)}`;
  return found;
}
