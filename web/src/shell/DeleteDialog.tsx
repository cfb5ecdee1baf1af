import { Button, Group, Modal, Stack, Text } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { themesQuery } from "../api/queries";
import { sitesQuery } from "../api/sites";
import { useEditorState } from "../editor/EditorProvider";
import { themeOf } from "../editor/selectors";
import { Swatch } from "../ui/Swatch";
import { useDialog } from "./dialogs";
import { useThemeActions } from "./useThemeActions";

/** Asks before the theme at hand goes. */
export function DeleteDialog() {
  const { opened, onClose } = useDialog("delete");
  const theme = useEditorState(themeOf);
  const { remove } = useThemeActions();
  return (
    <DeleteQuestion
      theme={theme}
      opened={opened}
      onClose={onClose}
      onDelete={(children) => remove(theme.slug, children)}
    />
  );
}

interface Props {
  theme: { slug: string; name: string; revision: number };
  opened: boolean;
  onClose: () => void;
  /** With what becomes of the themes that extend it. */
  onDelete: (children?: "delete" | "free") => void;
}

/** Asks before a theme goes, and what becomes of those that extend it. */
export function DeleteQuestion({ theme, opened, onClose, onDelete }: Props) {
  const { data: themes = [] } = useQuery(themesQuery);
  const { data: sites } = useQuery({ ...sitesQuery(theme.slug, theme.revision), enabled: opened });
  const shownBy = (sites?.sites ?? []).filter((site) => site.own).map((site) => site.name);
  const children = themes.filter((t) => t.parent === theme.slug);
  const remove = (choice?: "delete" | "free") => {
    onClose();
    onDelete(choice);
  };
  return (
    <Modal opened={opened} onClose={onClose} title={`Delete ${theme.name}?`}>
      <Stack gap="xs">
        {children.length > 0 ? (
          <>
            <Text size="sm">It cannot go while these extend it:</Text>
            <ul>
              {children.map((child) => (
                <li key={child.id}>
                  {child.name} <Swatch colors={child.colors} />
                </li>
              ))}
            </ul>
            <Text size="sm" c="dimmed">
              Set free, they keep what they have from it, written out in a revision of their own.
            </Text>
          </>
        ) : (
          <Text size="sm">
            It moves to the deleted themes with all its revisions, and can be brought back.
          </Text>
        )}
        {shownBy.length > 0 && (
          <Text size="sm">
            {shownBy.join(", ")} {shownBy.length === 1 ? "shows" : "show"} it and will go on doing so:
            published files stay. Have another theme shown there first if that is not meant.
          </Text>
        )}
        <Group justify="flex-end" mt="sm">
          <Button variant="default" onClick={onClose} data-autofocus>
            Keep it
          </Button>
          {children.length > 0 ? (
            <>
              <Button variant="default" onClick={() => remove("delete")}>
                Delete all {children.length + 1}
              </Button>
              <Button onClick={() => remove("free")}>Set them free and delete</Button>
            </>
          ) : (
            <Button onClick={() => remove()}>Delete</Button>
          )}
        </Group>
      </Stack>
    </Modal>
  );
}
