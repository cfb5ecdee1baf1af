import { UnstyledButton } from "@mantine/core";
import { IconArrowBackUp, IconArrowForwardUp, IconHistory } from "@tabler/icons-react";
import { Link } from "@tanstack/react-router";
import { useEditorState } from "../editor/EditorProvider";
import { themeOf, tokensOf } from "../editor/selectors";
import { useLineage } from "../lineage/useLineage";
import { Named } from "../ui/Named";
import { dialogs } from "./dialogs";
import classes from "./Frame.module.css";
import { ThemeButton } from "./ThemeButton";
import { FinderTool, KeysTool, RoomTool, Tool } from "./Tool";
import { useActions } from "./useActions";

const STATUS = {
  saved: "saved",
  drafting: "saved",
  saving: "saving",
  waiting: "not saved",
  unsaved: "not saved",
  deleted: "deleted",
} as const;

export function TopBar() {
  const theme = useEditorState(themeOf);
  const tokens = useEditorState(tokensOf);
  const status = useEditorState((s) => s.status);
  const actions = useActions();
  const act = (id: string) => actions.find((action) => action.id === id);
  return (
    <header className={classes.top}>
      <Named tokens={tokens} />
      <ThemeButton child={act("child")} />
      <output className={classes.state} aria-live="polite">
        rev {theme.revision} · {STATUS[status]}
      </output>
      <Descent />
      <Tool action={act("history")}>
        <IconHistory size={16} stroke={1.6} />
      </Tool>
      <span className={classes.spacer} />
      <FinderTool action={act("finder")} />
      <Tool action={act("undo")} disabled={!theme.canUndo}>
        <IconArrowBackUp size={18} stroke={1.6} />
      </Tool>
      <Tool action={act("redo")} disabled={!theme.canRedo}>
        <IconArrowForwardUp size={18} stroke={1.6} />
      </Tool>
      <KeysTool action={act("keys")} />
      <RoomTool action={act("room")} />
    </header>
  );
}

/** Whose child it is, and how much it decides itself. */
function Descent() {
  const lineage = useLineage();
  if (!lineage?.parent) return null;
  const { slug, name } = lineage.parent;
  return (
    <span className={classes.state}>
      child of{" "}
      <Link
        className={classes.wakeButton}
        to="/themes/$slug/$stage"
        params={(at) => ({ stage: at.stage ?? "stave", slug })}
        search={(s) => s}
      >
        {name}
      </Link>
      {" · "}
      <UnstyledButton className={classes.wakeButton} onClick={() => dialogs.open("own")}>
        {lineage.decisions.length} own
      </UnstyledButton>
    </span>
  );
}
