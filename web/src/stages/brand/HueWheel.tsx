import classes from "./BrandStage.module.css";

interface Props {
  /** Every hue at equal lightness, evenly round the circle. */
  wheel: string[];
  /** Hue of the first, in degrees. */
  hue: number;
  turns: number[];
  codes: string[];
}

const R = 44;

function at(degrees: number, radius: number): [number, number] {
  const radians = ((degrees - 90) * Math.PI) / 180;
  return [50 + radius * Math.cos(radians), 50 + radius * Math.sin(radians)];
}

/** Where a colour and its companions stand among all hues of their lightness. */
export function HueWheel({ wheel, hue, turns, codes }: Props) {
  const step = 360 / wheel.length;
  const arc = (2 * Math.PI * R) / wheel.length;
  return (
    <svg
      className={classes.wheel}
      viewBox="0 0 100 100"
      role="img"
      aria-label={`Hue wheel, ${turns.length} colours`}
    >
      {wheel.map((code, i) => (
        <circle
          // biome-ignore lint/suspicious/noArrayIndexKey: a place on the circle is what it is
          key={i}
          cx="50"
          cy="50"
          r={R}
          fill="none"
          stroke={code}
          strokeWidth="9"
          strokeDasharray={`${arc + 0.3} ${2 * Math.PI * R}`}
          transform={`rotate(${hue + i * step - step / 2 - 90} 50 50)`}
        />
      ))}
      {turns.map((turn, i) => {
        const [x, y] = at(hue + turn, R - 14);
        const [ex, ey] = at(hue + turn, R - 5);
        return (
          <g key={`${turn}`}>
            <line x1="50" y1="50" x2={ex} y2={ey} className={classes.spoke} />
            <circle cx={x} cy={y} r={i === 0 ? 8 : 6} fill={codes[i]} />
          </g>
        );
      })}
    </svg>
  );
}
