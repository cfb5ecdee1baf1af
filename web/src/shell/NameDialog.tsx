import { Button, Group, Modal, TextInput } from "@mantine/core";
import { type FormEvent, useEffect, useState } from "react";
import { useEditor, useEditorState } from "../editor/EditorProvider";
import { themeOf } from "../editor/selectors";
import { useDialog } from "./dialogs";

/** Asks for the theme's name; what is refused stays, with the reason beside it. */
export function RenameDialog() {
  const { opened, onClose } = useDialog("name");
  const { name } = useEditorState(themeOf);
  const editor = useEditor();
  const [value, setValue] = useState(name);
  const [refusal, setRefusal] = useState<string>();
  useEffect(() => {
    if (opened) setValue(name);
    setRefusal(undefined);
  }, [opened, name]);
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    const wanted = value.trim();
    const label = `renamed to ${wanted}`;
    const { problem } = await editor.commit((d) => ({ ...d, name: wanted }), label, { atField: true });
    if (problem) setRefusal(problem.problems?.[0]?.message ?? problem.detail);
    else onClose();
  };
  return (
    <Modal opened={opened} onClose={onClose} title="Rename theme">
      <form onSubmit={submit}>
        <TextInput
          label="Name"
          value={value}
          maxLength={200}
          error={refusal}
          data-autofocus
          onFocus={(e) => e.currentTarget.select()}
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
