import { GiveBack } from "./GiveBack";
import classes from "./Lineage.module.css";
import { decisionsAt, useLineage } from "./useLineage";

interface Props {
  /** Beginnings of the places that are shown here. */
  at: string[];
}

/** What a child decides itself of the thing at hand, each with the way back. Nothing in other themes. */
export function OwnHere({ at }: Props) {
  const lineage = useLineage();
  if (!lineage?.parent) return null;
  const own = decisionsAt(lineage, (place) =>
    at.some((start) => place === start || place.startsWith(`${start}/`)),
  );
  if (own.length === 0) return <p className={classes.here}>as in {lineage.parent.name}</p>;
  return (
    <p className={classes.here}>
      own here:{" "}
      {own.map((decision) => (
        <span key={decision.place} className={classes.decision}>
          {decision.label}{" "}
          <GiveBack decisions={[decision]}>
            <span aria-hidden="true">×</span>
            <span className="visually-hidden">give back {decision.label}</span>
          </GiveBack>
        </span>
      ))}
    </p>
  );
}
