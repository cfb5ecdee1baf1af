import { Button, Group, Modal, Text } from "@mantine/core";
import { useNavigate } from "@tanstack/react-router";
import { useState } from "react";
import { answer, api, problemOf } from "../api/client";
import { useEditor, useEditorState } from "../editor/EditorProvider";
import { themeOf } from "../editor/selectors";

/** The theme at hand was deleted elsewhere: it is told, and can be brought back. */
export function DeletedNotice() {
  const editor = useEditor();
  const theme = useEditorState(themeOf);
  const gone = useEditorState((s) => s.status === "deleted");
  const navigate = useNavigate();
  const [refusal, setRefusal] = useState<string>();
  const bringBack = async () => {
    try {
      await answer(api.POST("/api/deleted-themes/restore", { body: { id: theme.id } }));
      await editor.look();
    } catch (error) {
      setRefusal(problemOf(error).detail);
    }
  };
  return (
    <Modal
      opened={gone}
      onClose={() => void navigate({ to: "/" })}
      title="This theme was deleted elsewhere"
      withCloseButton={false}
    >
      <Text size="sm">
        {theme.name} is among the deleted themes now, with all its revisions. What is changed here is not
        saved.
      </Text>
      {refusal && (
        <Text size="sm" role="alert">
          {refusal}
        </Text>
      )}
      <Group justify="flex-end" mt="md">
        <Button variant="default" onClick={() => void navigate({ to: "/" })}>
          Other themes
        </Button>
        <Button onClick={bringBack}>Bring it back</Button>
      </Group>
    </Modal>
  );
}
