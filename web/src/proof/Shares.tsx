import { useTheEditor } from "../editor/EditorContext";
import classes from "./ProofPane.module.css";

/** What each part should cover of a page, where the theme says nothing else. */
const AIM = { dominant: 60, secondary: 30, accent: 10 };

type Part = keyof typeof AIM;

/** Neutral grounds dominate, the brand's own come second, everything that calls is accent. */
function partOf(name: string): Part {
  if (/^--(surface|disabled|neutral|border)-/.test(name)) return "dominant";
  if (/^--(primary|secondary|bar|selected|selection)-/.test(name)) return "secondary";
  return "accent";
}

const PARTS: Part[] = ["dominant", "secondary", "accent"];
const percent = (share: number) => `${Math.round(share * 100)} %`;

/** How much of the page each colour covers, against the usual balance. */
export function Shares({
  shares,
  colorOf,
}: {
  shares: Map<string, number>;
  colorOf: (css: string) => string | undefined;
}) {
  const { spec, commit } = useTheEditor();
  const aim = spec.aim ?? AIM;
  /** The two others share what is left, in the proportion that they had. */
  const setAim = (part: Part, value: number) => {
    const left = PARTS.filter((p) => p !== part);
    const before = left.reduce((sum, p) => sum + aim[p], 0) || 1;
    const next = { ...aim, [part]: value };
    for (const p of left) next[p] = Math.round((aim[p] / before) * (100 - value));
    next[left[0] ?? part] += 100 - next.dominant - next.secondary - next.accent;
    void commit((s) => ({ ...s, aim: next }), `aim: ${next.dominant}, ${next.secondary}, ${next.accent} %`);
  };
  const sums = { dominant: 0, secondary: 0, accent: 0 };
  for (const [name, share] of shares) sums[partOf(name)] += share;
  const grounds = [...shares].sort((a, b) => b[1] - a[1]).slice(0, 12);
  return (
    <section className={classes.shares} aria-label="Proportions">
      <div className={classes.shareBar} aria-hidden="true">
        {grounds.map(([name, share]) => (
          <span
            key={name}
            style={{ flexGrow: share, background: colorOf(name) }}
            title={`${name.slice(2)} ${percent(share)}`}
          />
        ))}
      </div>
      <p>
        {PARTS.map((part) => (
          <span key={part}>
            {part} <b>{percent(sums[part])}</b> of{" "}
            <input
              key={aim[part]}
              className={classes.aim}
              type="number"
              aria-label={`Aim for ${part}, percent`}
              min={0}
              max={100}
              defaultValue={aim[part]}
              onBlur={(e) =>
                Number(e.currentTarget.value) !== aim[part] && setAim(part, Number(e.currentTarget.value))
              }
              onKeyDown={(e) => e.key === "Enter" && e.currentTarget.blur()}
            />{" "}
            %
          </span>
        ))}
      </p>
      <p className={classes.shareList}>
        {grounds.slice(0, 6).map(([name, share]) => (
          <span key={name}>
            {name.slice(2)} {percent(share)}
          </span>
        ))}
      </p>
    </section>
  );
}
