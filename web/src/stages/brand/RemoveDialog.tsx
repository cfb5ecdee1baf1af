import { Button, Group, Text } from "@mantine/core";
import { Dialog } from "../../ui/Dialog";
import type { useRemoval } from "./useRemoval";

interface Props {
  name: string;
  removal: ReturnType<typeof useRemoval>;
}

/** Shows what hangs on something before it goes: what goes or moves with it, in sentences. */
export function RemoveDialog({ name, removal }: Props) {
  return (
    <Dialog opened={removal.asking} onClose={removal.close} title={`Remove ${name}?`}>
      <Text size="sm">This happens to what hangs on it:</Text>
      <ul>
        {removal.notes.map((what) => (
          <li key={what}>{what}</li>
        ))}
      </ul>
      <Group justify="flex-end">
        <Button variant="default" onClick={removal.close} data-autofocus>
          Keep it
        </Button>
        <Button onClick={removal.remove}>Remove {name}</Button>
      </Group>
    </Dialog>
  );
}
