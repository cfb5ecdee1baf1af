import { ActionIcon, useComputedColorScheme, useMantineColorScheme } from "@mantine/core";
import {
  IconArrowBackUp,
  IconArrowForwardUp,
  IconHistory,
  IconMoon,
  IconSearch,
  IconSun,
} from "@tabler/icons-react";
import { useEditor, useEditorState } from "../editor/EditorProvider";
import { themeOf, tokensOf } from "../editor/selectors";
import { undoOrBringBack } from "./deletion";
import { dialogs } from "./dialogs";
import classes from "./Frame.module.css";
import { Mark } from "./Mark";
import { ThemeMenu } from "./ThemeMenu";

const STATUS = {
  saved: "saved",
  drafting: "saved",
  saving: "saving",
  waiting: "not saved",
  unsaved: "not saved",
  deleted: "deleted",
} as const;

export function TopBar() {
  const editor = useEditor();
  const theme = useEditorState(themeOf);
  const tokens = useEditorState(tokensOf);
  const status = useEditorState((s) => s.status);
  const scheme = useComputedColorScheme("light");
  const { toggleColorScheme } = useMantineColorScheme();
  return (
    <header className={classes.top}>
      <span className={classes.name}>
        <Mark tokens={tokens} />
        Rhodon
      </span>
      <ThemeMenu />
      <output className={classes.state} aria-live="polite">
        rev {theme.revision} · {STATUS[status]}
      </output>
      <Tool label="Revisions" onClick={() => dialogs.open("history")}>
        <IconHistory size={16} stroke={1.6} />
      </Tool>
      <span className={classes.spacer} />
      <Tool label="Find anything" keys="Ctrl K" onClick={() => dialogs.open("finder")}>
        <IconSearch size={16} stroke={1.6} />
      </Tool>
      <Tool
        label="Undo"
        keys="Ctrl Z"
        disabled={!theme.canUndo}
        onClick={() => void undoOrBringBack(editor.undo)}
      >
        <IconArrowBackUp size={18} stroke={1.6} />
      </Tool>
      <Tool label="Redo" keys="Ctrl Shift Z" disabled={!theme.canRedo} onClick={() => void editor.redo()}>
        <IconArrowForwardUp size={18} stroke={1.6} />
      </Tool>
      <Tool label="Keys" keys="?" onClick={() => dialogs.open("keys")}>
        <b aria-hidden="true">?</b>
      </Tool>
      <Tool label={scheme === "light" ? "Dark room" : "Light room"} onClick={toggleColorScheme}>
        {scheme === "light" ? <IconMoon size={17} stroke={1.6} /> : <IconSun size={17} stroke={1.6} />}
      </Tool>
    </header>
  );
}

interface ToolProps {
  label: string;
  keys?: string;
  disabled?: boolean;
  onClick: () => void;
  children: React.ReactNode;
}

function Tool({ label, keys, disabled, onClick, children }: ToolProps) {
  return (
    <ActionIcon
      variant="subtle"
      color="ink"
      size={28}
      aria-label={label}
      title={keys ? `${label} (${keys})` : label}
      disabled={disabled ?? false}
      onClick={onClick}
    >
      {children}
    </ActionIcon>
  );
}
