import { Button, Group, Modal, TextInput } from "@mantine/core";
import { type FormEvent, useEffect, useState } from "react";

interface Props {
  opened: boolean;
  name: string;
  onClose: () => void;
  onName: (name: string) => void;
}

/** Asks for the theme's name. */
export function NameDialog({ opened, name, onClose, onName }: Props) {
  const [value, setValue] = useState(name);
  useEffect(() => {
    if (opened) setValue(name);
  }, [opened, name]);
  const submit = (event: FormEvent) => {
    event.preventDefault();
    onName(value.trim());
    onClose();
  };
  return (
    <Modal opened={opened} onClose={onClose} title="Rename theme">
      <form onSubmit={submit}>
        <TextInput
          label="Name"
          value={value}
          maxLength={200}
          data-autofocus
          onChange={(e) => setValue(e.currentTarget.value)}
        />
        <Group justify="flex-end" mt="md">
          <Button type="submit" disabled={value.trim() === "" || value.trim() === name}>
            Rename
          </Button>
        </Group>
      </form>
    </Modal>
  );
}
