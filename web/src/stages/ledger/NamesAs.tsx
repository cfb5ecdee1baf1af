import type { Target } from "../../api/client";
import classes from "./Ledger.module.css";

interface NamesAsProps {
  targets: Target[];
  target: Target | undefined;
  onTake: (id: string) => void;
}

/** In whose words tokens are told. */
export function NamesAs({ targets, target, onTake }: NamesAsProps) {
  return (
    <select
      className={classes.names}
      aria-label="Names as in"
      value={target?.id ?? ""}
      onChange={(e) => onTake(e.currentTarget.value)}
    >
      <option value="">Token</option>
      {targets.map((t) => (
        <option key={t.id} value={t.id}>
          {t.name}
        </option>
      ))}
    </select>
  );
}
