import { Button, Group, Modal, Table, Text } from "@mantine/core";
import { placeInWords } from "../editor/decisions";
import { useEditor, useEditorState } from "../editor/EditorProvider";
import { Sentence } from "../ui/Sentence";
import { Told } from "../ui/Told";

/** The same thing was decided differently elsewhere: both sides are shown, nothing is overwritten unasked. */
export function ClashDialog() {
  const editor = useEditor();
  const clash = useEditorState((s) => s.clash);
  return (
    <Modal
      opened={clash !== undefined}
      onClose={() => editor.settle("theirs")}
      title="This was changed elsewhere too"
      withCloseButton={false}
      closeOnClickOutside={false}
      closeOnEscape={false}
    >
      <Text size="sm">
        Theirs: revision {clash?.theirs.revision}, “
        <Sentence text={clash?.theirs.label ?? ""} />
        ”. Yours, not saved yet: “<Sentence text={clash?.label ?? ""} />
        ”.
      </Text>
      <Table mt="sm">
        <Table.Thead>
          <Table.Tr>
            <Table.Th>Decision</Table.Th>
            <Table.Th>Theirs</Table.Th>
            <Table.Th>Yours</Table.Th>
          </Table.Tr>
        </Table.Thead>
        <Table.Tbody>
          {clash?.conflicts.map(({ place, mine, theirs }) => (
            <Table.Tr key={place}>
              <Table.Td>{placeInWords(place)}</Table.Td>
              <Table.Td>
                <Told value={theirs} none="derived" />
              </Table.Td>
              <Table.Td>
                <Told value={mine} none="derived" />
              </Table.Td>
            </Table.Tr>
          ))}
        </Table.Tbody>
      </Table>
      <Text size="sm" c="dimmed" mt="xs">
        Everything else of theirs stays, whichever you take.
      </Text>
      <Group justify="flex-end" mt="sm">
        <Button variant="default" onClick={() => editor.settle("theirs")}>
          Take theirs
        </Button>
        <Button onClick={() => editor.settle("mine")}>Save mine on top</Button>
      </Group>
    </Modal>
  );
}
