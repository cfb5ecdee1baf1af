import type { Flag } from "./roles";
import classes from "./Stave.module.css";

const LANE = 15;

/** Names of the roles on an open line: light mode above it, dark mode below. */
export function Flags({ flags, side }: { flags: Flag[]; side: "above" | "below" }) {
  const lanes = flags.reduce((most, f) => Math.max(most, f.lane + 1), 1);
  return (
    <div className={classes.flags} data-side={side} style={{ height: lanes * LANE + 6 }}>
      {flags.map((flag) => {
        const reach = {
          [side === "above" ? "bottom" : "top"]: 0,
          left: flag.x,
          height: flag.lane * LANE + 6,
        };
        const place = { [side === "above" ? "bottom" : "top"]: flag.lane * LANE + 4, left: flag.left };
        return (
          <div key={flag.title}>
            <span className={classes.flagLine} style={reach} />
            <span className={classes.flag} style={place} title={flag.title}>
              {flag.text}
            </span>
          </div>
        );
      })}
    </div>
  );
}
