import type { Token } from "../api/client";
import { Mark } from "./Mark";
import classes from "./Named.module.css";

/** The application's mark and name, painted with the theme at hand where there is one. */
export function Named({ tokens }: { tokens?: Token[] | undefined }) {
  return (
    <span className={classes.name}>
      <Mark tokens={tokens} />
      Rhodon
    </span>
  );
}
