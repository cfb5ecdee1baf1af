import { Menu } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useNavigate } from "@tanstack/react-router";
import { useState } from "react";
import { themesQuery } from "../api/queries";
import { useTheEditor } from "../editor/EditorContext";
import classes from "./Frame.module.css";
import { NameDialog } from "./NameDialog";
import { NewThemeDialog } from "./NewThemeDialog";
import { useThemeActions } from "./useThemeActions";

/** The list of themes, and what can be done with the one at hand. */
export function ThemeMenu() {
  const { theme, commit } = useTheEditor();
  const { data: themes = [] } = useQuery(themesQuery);
  const navigate = useNavigate();
  const actions = useThemeActions();
  const [dialog, setDialog] = useState<"new" | "name">();
  const open = (slug: string) => void navigate({ to: "/themes/$slug/stave", params: { slug } });
  return (
    <>
      <Menu width={260} position="bottom-start">
        <Menu.Target>
          <button type="button" className={classes.themeButton}>
            {theme.name} ▾
          </button>
        </Menu.Target>
        <Menu.Dropdown>
          <Menu.Label>Themes</Menu.Label>
          <div className={classes.themeList}>
            {themes.map((t) => (
              <Menu.Item
                key={t.id}
                onClick={() => open(t.slug)}
                aria-current={t.slug === theme.slug ? "true" : undefined}
                fw={t.slug === theme.slug ? 650 : 400}
              >
                {t.parent ? `↳ ${t.name}` : t.name}
              </Menu.Item>
            ))}
          </div>
          <Menu.Divider />
          <Menu.Item onClick={() => setDialog("new")}>New theme …</Menu.Item>
          <Menu.Item onClick={() => setDialog("name")}>Rename …</Menu.Item>
          <Menu.Item onClick={() => actions.duplicate(theme.slug)}>Duplicate</Menu.Item>
          <Menu.Item onClick={() => actions.remove(theme.slug)}>Delete</Menu.Item>
        </Menu.Dropdown>
      </Menu>
      <NewThemeDialog opened={dialog === "new"} onClose={() => setDialog(undefined)} />
      <NameDialog
        opened={dialog === "name"}
        name={theme.name}
        onClose={() => setDialog(undefined)}
        onName={(name) => commit((s) => ({ ...s, name }), `renamed to ${name}`)}
      />
    </>
  );
}
