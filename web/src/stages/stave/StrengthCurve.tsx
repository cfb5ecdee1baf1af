import type { Scale } from "../../api/client";
import classes from "./Stave.module.css";
import { useStrengthDrag } from "./useStrengthDrag";

const HEIGHT = 100;
/** Room above the gamut's highest point, as a share of it. */
const ROOM = 1.06;

const x = (lightness: number) => 100 - lightness;

/** Strength of each step under the end of the screen's gamut; any point is dragged to make the scale
 * stronger or softer, over a trace of how it was. */
export function StrengthCurve({ scale }: { scale: Scale }) {
  const { ghost, bind } = useStrengthDrag(scale);
  const first = scale.steps[0];
  const last = scale.steps[scale.steps.length - 1];
  if (!first || !last) return null;
  const top = Math.max(0.02, ...scale.steps.map((s) => Math.max(s.limit, s.chroma))) * ROOM;
  const y = (chroma: number) => HEIGHT - (chroma / top) * HEIGHT;
  const line = (steps: Scale["steps"], value: (s: Scale["steps"][number]) => number) =>
    steps.map((s) => `${x(s.lightness)},${y(value(s))}`).join(" ");
  const limit = line(scale.steps, (s) => s.limit);
  return (
    <figure className={classes.curve}>
      <figcaption>
        Strength
        <small>chroma below sRGB's limit · hue within {scale.drift.toFixed(1)}°</small>
      </figcaption>
      <div className={classes.plot}>
        <svg viewBox={`0 0 100 ${HEIGHT}`} preserveAspectRatio="none" role="img" aria-label={describe(scale)}>
          <polygon
            className={classes.curveLimit}
            points={`${x(first.lightness)},${HEIGHT} ${limit} ${x(last.lightness)},${HEIGHT}`}
          />
          {ghost && <polyline className={classes.curveGhost} points={line(ghost, (s) => s.chroma)} />}
          <polyline className={classes.curveLine} points={line(scale.steps, (s) => s.chroma)} />
        </svg>
        {/* The same is done by keys at the slider of the strength. */}
        <div className={classes.curveDots} aria-hidden="true">
          {scale.steps.map((s) => (
            <span
              key={s.label}
              title={`${s.label}: chroma ${s.chroma.toFixed(3)} of ${s.limit.toFixed(3)}; drag it to make the scale stronger or softer`}
              style={
                {
                  "--l": s.lightness,
                  "--y": `${100 - (s.chroma / top) * 100}%`,
                  "--fill": s.hex,
                } as React.CSSProperties
              }
              {...bind(s, top)}
            />
          ))}
        </div>
      </div>
    </figure>
  );
}

function describe(scale: Scale): string {
  const most = Math.max(...scale.steps.map((s) => s.chroma));
  return `Strength of ${scale.name}: at most ${most.toFixed(3)} chroma`;
}
