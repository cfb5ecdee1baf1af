import type { Export } from "../../api/client";
import classes from "./HandoffStage.module.css";

/** What a target cannot carry, by name, gathered under what happens to it. */
export function Warnings({ warnings }: { warnings: Export["warnings"] }) {
  if (warnings.length === 0) return null;
  const groups = new Map<string, string[]>();
  for (const w of warnings) groups.set(w.message, [...(groups.get(w.message) ?? []), w.token]);
  const count = warnings.length === 1 ? "1 token does" : `${warnings.length} tokens do`;
  return (
    <details className={classes.warnings} open={warnings.length <= 3}>
      <summary>{count} not fit as they are</summary>
      <dl aria-label="What this target cannot carry">
        {[...groups].map(([message, tokens]) => (
          <div key={message}>
            <dt>{message}</dt>
            <dd>{tokens.join(", ")}</dd>
          </div>
        ))}
      </dl>
    </details>
  );
}
