import { Link } from "@tanstack/react-router";
import { useEditorState } from "../editor/EditorProvider";
import { themeOf } from "../editor/selectors";
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
    </Link>
  );
}
