import type { Scale } from "../../api/client";
import classes from "./Stave.module.css";
import { chooseTogether, useTogether } from "./together";

/** Which scales are moved together, while there are some. */
export function Together({ scales }: { scales: Scale[] }) {
  const chosen = useTogether();
  if (chosen.size === 0) return null;
  const names = scales.filter((s) => chosen.has(s.slug)).map((s) => s.name);
  return (
    <p className={classes.together} role="status">
      <span>
        {names.length === 1
          ? `${names[0]} is chosen: choose another to move both.`
          : `${names.join(", ")} move together: steps, method, strength and turn.`}
      </span>
      <button type="button" onClick={() => chooseTogether(scales.map((s) => s.slug))}>
        all
      </button>
      <button type="button" onClick={() => chooseTogether([])}>
        let go
      </button>
    </p>
  );
}
