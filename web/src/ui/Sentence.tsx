import { COLOR } from "./colorIn";
import classes from "./Sentence.module.css";
import { isColor, Swatch } from "./Swatch";

/** A colour as labels of revisions have it: as it is written anywhere, or a name before or after an arrow. */
const TOLD = new RegExp(`(${COLOR.source}|\\b[a-z]+(?= →)|(?<=→ )[a-z]+\\b)`, "i");

/** A sentence with a swatch before every colour in it. */
export function Sentence({ text }: { text: string }) {
  return text.split(TOLD).map((part, i) =>
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
