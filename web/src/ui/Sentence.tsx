import classes from "./Sentence.module.css";
import { Swatch } from "./Swatch";

/** A code as labels of revisions have it. */
const CODE = /(#[0-9a-f]{8}\b|#[0-9a-f]{6}\b)/i;

/** A sentence with a swatch before every code in it. */
export function Sentence({ text }: { text: string }) {
  return text.split(CODE).map((part, i) =>
    CODE.test(part) ? (
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
