import { Button, Group, Modal, TextInput } from "@mantine/core";
import { type FormEvent, useState } from "react";
import { answer, api, problemOf, type ThemeDocument } from "../api/client";
import { useDialog } from "./dialogs";
import { FromFiles } from "./FromFiles";
import { useMakeTheme } from "./useMakeTheme";

/** A new theme from a name and one brand colour, or from files. */
export function NewThemeDialog() {
  const { opened, onClose } = useDialog("new");
  return (
    <Modal opened={opened} onClose={onClose} title="New theme">
      <NewThemeForm onDone={onClose} />
    </Modal>
  );
}

export function NewThemeForm({ onDone }: { onDone: () => void }) {
  const save = useMakeTheme();
  const [name, setName] = useState("");
  const [color, setColor] = useState("");
  const [refusal, setRefusal] = useState<string>();
  const create = async () => {
    const seen = await answer(api.POST("/api/color", { body: { text: color } }));
    await make({ format: 1, name: name.trim(), brand: [{ name: seen.name, color: seen.css }] });
  };
  const make = async (spec: ThemeDocument) => {
    await save(spec);
    onDone();
  };
  const submit = (event: FormEvent) => {
    event.preventDefault();
    create().catch((error) => setRefusal(problemOf(error).detail));
  };
  return (
    <>
      <form onSubmit={submit}>
        <TextInput
          label="Name"
          value={name}
          maxLength={200}
          data-autofocus
          onChange={(e) => setName(e.currentTarget.value)}
        />
        <TextInput
          label="Brand colour"
          description="Any CSS colour; hex with or without #"
          placeholder="#0f5c7a"
          mt="sm"
          value={color}
          error={refusal}
          onChange={(e) => {
            setColor(e.currentTarget.value);
            setRefusal(undefined);
          }}
        />
        <Group justify="flex-end" mt="md">
          <Button type="submit" disabled={name.trim() === "" || color.trim() === ""}>
            Create
          </Button>
        </Group>
      </form>
      <FromFiles onSpec={make} />
    </>
  );
}
