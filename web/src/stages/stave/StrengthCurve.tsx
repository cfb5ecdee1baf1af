import type { Scale } from "../../api/client";
import classes from "./Stave.module.css";

const HEIGHT = 96;
/** The most chroma that is drawn; sRGB has 0.32 at most. */
const TOP = 0.34;

const y = (chroma: number) => HEIGHT - (chroma / TOP) * HEIGHT;
const x = (lightness: number) => 100 - lightness;

/** Strength of each step, over the limit of the screen's gamut. */
export function StrengthCurve({ scale }: { scale: Scale }) {
  const points = (value: (i: number) => number) =>
    scale.steps.map((s, i) => `${x(s.lightness)},${y(value(i))}`).join(" ");
  const first = scale.steps[0];
  const last = scale.steps[scale.steps.length - 1];
  if (!first || !last) return null;
  const limit = points((i) => scale.steps[i]?.limit ?? 0);
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
          <polyline className={classes.curveLine} points={points((i) => scale.steps[i]?.chroma ?? 0)} />
        </svg>
        <div className={classes.curveDots} aria-hidden="true">
          {scale.steps.map((s) => (
            <span
              key={s.label}
              style={
                {
                  "--l": s.lightness,
                  "--y": `${100 - (s.chroma / TOP) * 100}%`,
                  "--fill": s.hex,
                } as React.CSSProperties
              }
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
