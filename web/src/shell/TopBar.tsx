import { ActionIcon, UnstyledButton, useComputedColorScheme } from "@mantine/core";
import {
  IconArrowBackUp,
  IconArrowForwardUp,
  IconHistory,
  IconMoon,
  IconSearch,
  IconSun,
} from "@tabler/icons-react";
import { Link } from "@tanstack/react-router";
import { useEditorState } from "../editor/EditorProvider";
import { themeOf, tokensOf } from "../editor/selectors";
import { useLineage } from "../lineage/useLineage";
import { Named } from "../ui/Named";
import { dialogs } from "./dialogs";
import classes from "./Frame.module.css";
import { ThemeButton } from "./ThemeButton";
import { type Action, useActions } from "./useActions";

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
  const scheme = useComputedColorScheme("light");
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
      <Tool action={act("finder")}>
        <IconSearch size={16} stroke={1.6} />
      </Tool>
      <Tool action={act("undo")} disabled={!theme.canUndo}>
        <IconArrowBackUp size={18} stroke={1.6} />
      </Tool>
      <Tool action={act("redo")} disabled={!theme.canRedo}>
        <IconArrowForwardUp size={18} stroke={1.6} />
      </Tool>
      <Tool action={act("keys")}>
        <b aria-hidden="true">?</b>
      </Tool>
      <Tool action={act("room")} label={scheme === "light" ? "Dark room" : "Light room"}>
        {scheme === "light" ? <IconMoon size={17} stroke={1.6} /> : <IconSun size={17} stroke={1.6} />}
      </Tool>
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

interface ToolProps {
  /** What it does, from the list that finder and keys ask too. */
  action: Action | undefined;
  /** Its name, where that depends on how things stand. */
  label?: string;
  disabled?: boolean;
  children: React.ReactNode;
}

function Tool({ action, label = action?.name ?? "", disabled = false, children }: ToolProps) {
  return (
    <ActionIcon
      variant="subtle"
      color="ink"
      size={28}
      aria-label={label}
      title={action?.keys ? `${label} (${action.keys})` : label}
      disabled={disabled}
      onClick={action?.run}
    >
      {children}
    </ActionIcon>
  );
}
