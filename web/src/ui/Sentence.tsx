import classes from "./Sentence.module.css";
import { isColor, Swatch } from "./Swatch";

/** A colour as labels of revisions have it: a code, a function, or a name before or after an arrow. */
const COLOR =
  /(#[0-9a-f]{8}\b|#[0-9a-f]{6}\b|\b(?:rgba?|hsla?|hwb|oklch|oklab|lab|lch|color)\([^()]*\)|\b[a-z]+(?= →)|(?<=→ )[a-z]+\b)/i;

/** A sentence with a swatch before every colour in it. */
export function Sentence({ text }: { text: string }) {
  return text.split(COLOR).map((part, i) =>
    i % 2 === 1 && isColor(part) ? (
      // biome-ignore lint/suspicious/noArrayIndexKey: a place in the sentence is what it is
      <span key={i} className={classes.code}>
        <Swatch colors={[part]} />
        {part}
      </span>
    ) : (
      part
    ),
  );
}
