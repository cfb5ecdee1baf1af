import type { PictureView } from "../api/picture";
import { Swatch } from "../ui/Swatch";
import { Tick, withTick } from "../ui/Tick";
import classes from "./PictureColors.module.css";

interface Props {
  label?: string;
  colors: PictureView["colors"];
  /** Codes of those that are taken, in the order in which they become the brand. */
  taken: string[];
  onTake: (codes: string[]) => void;
}

/** The colours of a picture, to tick: the one that is ticked first is the primary colour. */
export function PictureColors({ label = "Colours of the picture", colors, taken, onTake }: Props) {
  return (
    <ol className={classes.colors} aria-label={label}>
      {colors.map(({ hex, name }) => (
        <li key={hex}>
          <Tick
            tag
            checked={taken.includes(hex)}
            onTick={(on) => onTake(withTick(taken, hex, on))}
            label={
              <>
                <Swatch colors={[hex]} /> {name} <code>{hex}</code>
              </>
            }
          />
          {hex === taken[0] && <span>primary</span>}
        </li>
      ))}
    </ol>
  );
}

/** What ticking colours comes to. */
export function TickOrder({ none }: { none: boolean }) {
  return (
    <p className={classes.order}>
      {none
        ? "Tick the colours that the theme begins with."
        : "In the order in which they are ticked, the first as the primary colour."}
    </p>
  );
}
