import { Button, Group, Modal, Text } from "@mantine/core";
import { useEditor, useEditorState } from "../editor/EditorProvider";
import { Sentence } from "../ui/Sentence";
import { BelowList } from "./BelowList";

/** Asks before a change is saved by which something becomes unreadable in the themes below. */
export function HeldDialog() {
  const editor = useEditor();
  const held = useEditorState((s) => s.held);
  const leave = () => editor.release(false);
  return (
    <Modal opened={held !== undefined} onClose={leave} title="Unreadable below" size="lg">
      {held && (
        <>
          <Text size="sm" mb="sm">
            “<Sentence text={held.label} />” would make pairs unreadable in themes that extend this one. It is
            not saved yet.
          </Text>
          <BelowList below={held.below} />
        </>
      )}
      <Group justify="flex-end" mt="md">
        <Button variant="default" onClick={leave} data-autofocus>
          Leave it
        </Button>
        <Button onClick={() => editor.release(true)}>Save all the same</Button>
      </Group>
    </Modal>
  );
}
