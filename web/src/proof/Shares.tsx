import classes from "./ProofPane.module.css";

/** What each part should cover of a page, where the theme says nothing else. */
const AIM = { dominant: 0.6, secondary: 0.3, accent: 0.1 };

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
            {part} <b>{percent(sums[part])}</b> of {percent(AIM[part])}
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
