import { Link } from "@tanstack/react-router";
import { useMemo } from "react";
import { useEditorState } from "../editor/EditorProvider";
import { derivedOf, themeOf } from "../editor/selectors";
import { STAGES, type Stage } from "../stages";
import { TieMark } from "../workspace/TieMark";
import classes from "./Frame.module.css";

/** The stages in the order of the work, each with how it stands. */
export function Rail() {
  return (
    <nav className={classes.rail} aria-label="Stages">
      {STAGES.map((stage) => (
        <Station key={stage.id} stage={stage} />
      ))}
      <TieMark />
    </nav>
  );
}

function Station({ stage }: { stage: Stage }) {
  const { slug } = useEditorState(themeOf);
  const stands = useEditorState(stage.stands);
  const tells = useEditorState(stage.tells ?? nothing);
  return (
    <Link
      to="/themes/$slug/$stage"
      params={{ slug, stage: stage.id }}
      search={(s) => s}
      className={classes.stage}
      title={`${stage.help} Key ${stage.hotkey}`}
      preload="intent"
      onMouseEnter={() => void stage.load()}
    >
      {stage.name}
      <small>{stands}</small>
      {stage.strips && <Strips of={stage.strips} />}
      {tells && <small className={classes.tells}>{tells}</small>}
    </Link>
  );
}

const nothing = () => "";

/** The colours of a stage, small. */
function Strips({ of }: { of: NonNullable<Stage["strips"]> }) {
  const derived = useEditorState(derivedOf);
  const strips = useMemo(() => (derived ? of(derived) : []), [derived, of]);
  return (
    <span className={classes.strips} aria-hidden="true">
      {strips.map((colors, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a place among the strips is what it is
        <span key={i}>
          {colors.map((color, j) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: a place in the strip is what it is
            <i key={j} style={{ background: color }} />
          ))}
        </span>
      ))}
    </span>
  );
}
