import type { Derived } from "../../api/client";
import classes from "./Stave.module.css";

type Guide = Derived["guides"]["light"];

const TICKS = [100, 90, 80, 70, 60, 50, 40, 30, 20, 10, 0];

/** The lightness scale on top, and the contrast limits as lines through every scale. */
export function Axis({ guide }: { guide: Guide }) {
  return (
    <div className={classes.axis} aria-hidden="true">
      {TICKS.map((l) => (
        <span key={l} className={classes.tick} style={{ "--l": l } as React.CSSProperties}>
          {l % 20 === 0 ? l : ""}
        </span>
      ))}
      {guide.lines.map((line) => (
        <span
          key={line.ratio}
          className={classes.limit}
          style={{ "--l": line.lightness } as React.CSSProperties}
        >
          {line.ratio} : 1
        </span>
      ))}
    </div>
  );
}

export function Limits({ guide }: { guide: Guide }) {
  return (
    <div className={classes.limits} aria-hidden="true">
      {guide.lines.map((line) => (
        <span key={line.ratio} style={{ "--l": line.lightness } as React.CSSProperties} />
      ))}
    </div>
  );
}
