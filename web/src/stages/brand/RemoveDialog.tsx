import { Button, Group, Modal, Text } from "@mantine/core";

interface Props {
  name: string;
  /** What goes or moves with it, in sentences. */
  notes: string[];
  opened: boolean;
  onClose: () => void;
  onRemove: () => void;
}

/** Shows what hangs on a brand colour before it goes. */
export function RemoveDialog({ name, notes, opened, onClose, onRemove }: Props) {
  return (
    <Modal opened={opened} onClose={onClose} title={`Remove ${name}?`}>
      <Text size="sm">This happens to what hangs on it:</Text>
      <ul>
        {notes.map((what) => (
          <li key={what}>{what}</li>
        ))}
      </ul>
      <Group justify="flex-end">
        <Button variant="default" onClick={onClose} data-autofocus>
          Keep it
        </Button>
        <Button onClick={onRemove}>Remove {name}</Button>
      </Group>
    </Modal>
  );
}
