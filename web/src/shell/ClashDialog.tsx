import { Button, Group, Modal, Stack, Text } from "@mantine/core";
import { useTheEditor } from "../editor/EditorContext";

/** Somebody else saved in between: both sides are shown, nothing is overwritten unasked. */
export function ClashDialog() {
  const { clash, settle } = useTheEditor();
  const theirs = clash?.problem.current;
  return (
    <Modal
      opened={clash !== undefined}
      onClose={() => settle("theirs")}
      title="This theme was changed elsewhere"
      withCloseButton={false}
      closeOnClickOutside={false}
      closeOnEscape={false}
    >
      <Stack gap="xs">
        <Text size="sm">
          Theirs: revision {theirs?.revision}, “{theirs?.label}”
        </Text>
        <Text size="sm">Yours, not saved yet: “{clash?.label}”</Text>
        <Text size="sm" c="dimmed">
          Yours on top becomes a new revision; theirs stays in the history.
        </Text>
        <Group justify="flex-end" mt="sm">
          <Button variant="default" onClick={() => settle("theirs")}>
            Take theirs
          </Button>
          <Button onClick={() => settle("mine")}>Save mine on top</Button>
        </Group>
      </Stack>
    </Modal>
  );
}
