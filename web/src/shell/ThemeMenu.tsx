import { Menu } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useNavigate } from "@tanstack/react-router";
import { themesQuery } from "../api/queries";
import { useEditorState } from "../editor/EditorProvider";
import { themeOf } from "../editor/selectors";
import { Beside, useGiveBack } from "../ui/Beside";
import { listed } from "../ui/listed";
import { Swatch } from "../ui/Swatch";
import { useOpenTheme } from "../ui/useOpenTheme";
import { dialogs } from "./dialogs";
import classes from "./Frame.module.css";
import type { Action } from "./useActions";
import { useThemeActions } from "./useThemeActions";

export interface ThemeMenuProps {
  /** The button that it opens beside. */
  at: HTMLElement | null;
  child: Action | undefined;
  onClose: () => void;
}

/** The list of themes, children under their parents, and what can be done with the one at hand. */
export function ThemeMenu({ at, child, onClose }: ThemeMenuProps) {
  useGiveBack(at);
  const theme = useEditorState(themeOf);
  const { data: themes = [] } = useQuery(themesQuery);
  const navigate = useNavigate();
  const openTheme = useOpenTheme();
  const actions = useThemeActions();
  return (
    <Menu width={290} position="bottom-start" opened onClose={onClose} withinPortal>
      <Menu.Target>
        <Beside element={at} />
      </Menu.Target>
      <Menu.Dropdown>
        <Menu.Label>Themes</Menu.Label>
        <div className={classes.themeList}>
          {listed(themes).map(({ theme: t, depth, slug }) => (
            <Menu.Item
              key={t.id}
              onClick={() => openTheme(t.slug)}
              aria-current={t.id === theme.id ? "true" : undefined}
              fw={t.id === theme.id ? 650 : 400}
              pl={10 + depth * 16}
              rightSection={<Swatch colors={t.colors.slice(0, 6)} />}
            >
              {depth > 0 && "↳ "}
              {t.name} {slug && <small className={classes.aside}>{slug}</small>}
            </Menu.Item>
          ))}
        </div>
        <Menu.Divider />
        <Menu.Item onClick={() => void navigate({ to: "/family", search: { from: theme.slug } })}>
          All themes
        </Menu.Item>
        <Menu.Item onClick={() => dialogs.open("new")}>New theme …</Menu.Item>
        <Menu.Item onClick={child?.run}>{child?.name}</Menu.Item>
        <Menu.Item onClick={() => dialogs.open("name")}>Rename …</Menu.Item>
        <Menu.Item onClick={() => actions.duplicate(theme.slug)}>Duplicate</Menu.Item>
        <Menu.Item onClick={() => dialogs.open("delete")}>Delete …</Menu.Item>
        <Menu.Divider />
        <Menu.Item onClick={() => dialogs.open("deleted")}>Deleted themes …</Menu.Item>
      </Menu.Dropdown>
    </Menu>
  );
}
