import { useComputedColorScheme, useMantineColorScheme } from "@mantine/core";
import { IconArrowBackUp, IconArrowForwardUp, IconHistory, IconMoon, IconSun } from "@tabler/icons-react";
import { useState } from "react";
import { useTheEditor } from "../editor/EditorContext";
import classes from "./Frame.module.css";
import { HistoryDrawer } from "./HistoryDrawer";
import { Mark } from "./Mark";
import { ThemeMenu } from "./ThemeMenu";

export function TopBar() {
  const editor = useTheEditor();
  const { theme, preview, saving, problem } = editor;
  const scheme = useComputedColorScheme("light");
  const { setColorScheme } = useMantineColorScheme();
  const unsaved = problem && !saving;
  const [history, setHistory] = useState(false);
  return (
    <header className={classes.top}>
      <span className={classes.name}>
        <Mark derived={preview?.derived} />
        Rhodon
      </span>
      <ThemeMenu />
      <output className={classes.state} aria-live="polite">
        rev {theme.revision} · {saving ? "saving" : unsaved ? "not saved" : "saved"}
      </output>
      <button
        type="button"
        className={classes.tool}
        aria-label="Revisions"
        title="Revisions"
        onClick={() => setHistory(true)}
      >
        <IconHistory size={16} stroke={1.6} />
      </button>
      <HistoryDrawer opened={history} onClose={() => setHistory(false)} />
      <span className={classes.spacer} />
      <button
        type="button"
        className={classes.tool}
        aria-label="Undo"
        title="Undo (Ctrl Z)"
        disabled={!theme.canUndo}
        onClick={editor.undo}
      >
        <IconArrowBackUp size={18} stroke={1.6} />
      </button>
      <button
        type="button"
        className={classes.tool}
        aria-label="Redo"
        title="Redo (Ctrl Shift Z)"
        disabled={!theme.canRedo}
        onClick={editor.redo}
      >
        <IconArrowForwardUp size={18} stroke={1.6} />
      </button>
      <button
        type="button"
        className={classes.tool}
        aria-label={scheme === "light" ? "Dark room" : "Light room"}
        title="Rhodon's own appearance"
        onClick={() => setColorScheme(scheme === "light" ? "dark" : "light")}
      >
        {scheme === "light" ? <IconMoon size={17} stroke={1.6} /> : <IconSun size={17} stroke={1.6} />}
      </button>
    </header>
  );
}
