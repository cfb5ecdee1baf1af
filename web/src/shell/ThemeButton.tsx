import { UnstyledButton } from "@mantine/core";
import { useRef, useState } from "react";
import { useEditorState } from "../editor/EditorProvider";
import { themeOf } from "../editor/selectors";
import { later } from "../ui/later";
import classes from "./Frame.module.css";
import type { ThemeMenuProps } from "./ThemeMenu";
import type { Action } from "./useActions";

const ThemeMenu = later<ThemeMenuProps>(() => import("./ThemeMenu").then((m) => m.ThemeMenu));

/** The name of the theme at hand, which opens the menu of themes. */
export function ThemeButton({ child }: { child: Action | undefined }) {
  const { name } = useEditorState(themeOf);
  const button = useRef<HTMLButtonElement>(null);
  const [opened, setOpened] = useState(false);
  return (
    <>
      <UnstyledButton
        ref={button}
        className={classes.themeButton}
        aria-haspopup="menu"
        aria-expanded={opened}
        onClick={() => setOpened(!opened)}
        onKeyDown={(e) => {
          // Before the menu has the keys.
          if (e.key === "Escape") setOpened(false);
        }}
      >
        {name} ▾
      </UnstyledButton>
      {opened && <ThemeMenu at={button.current} child={child} onClose={() => setOpened(false)} />}
    </>
  );
}
