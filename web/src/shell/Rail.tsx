import { Link } from "@tanstack/react-router";
import { useTheEditor } from "../editor/EditorContext";
import classes from "./Frame.module.css";

/** The stages in the order of the work, each with how it stands. */
export function Rail() {
  const { theme, preview, spec } = useTheEditor();
  const derived = preview?.derived;
  const chosen = Object.keys(spec.handoff ?? {}).length;
  const own = derived?.scales.filter((s) => s.origin !== "derived").length;
  const stages = [
    { to: "/themes/$slug/brand", name: "Brand", state: own === undefined ? "" : `${own} colours`, key: "1" },
    {
      to: "/themes/$slug/stave",
      name: "Stave",
      state: derived ? `${derived.scales.length} scales` : "",
      key: "2",
    },
    {
      to: "/themes/$slug/ledger",
      name: "Ledger",
      state: derived ? `${derived.tokens.length} tokens` : "",
      key: "3",
    },
    {
      to: "/themes/$slug/handoff",
      name: "Handoff",
      state: chosen > 0 ? `${chosen} chosen` : "files",
      key: "4",
    },
  ] as const;
  return (
    <nav className={classes.rail} aria-label="Stages">
      {stages.map((stage) => (
        <Link
          key={stage.name}
          to={stage.to}
          params={{ slug: theme.slug }}
          search={(s) => s}
          className={classes.stage}
          title={`Key ${stage.key}`}
        >
          {stage.name}
          <small>{stage.state}</small>
        </Link>
      ))}
    </nav>
  );
}
