import { Button, Group, Modal, Textarea, TextInput } from "@mantine/core";
import { type FormEvent, useState } from "react";
import { answer, api, type ColorItem, problemOf, type ThemeDocument } from "../api/client";
import { ColorList, readColors, useColors } from "../ui/ColorList";
import { useDialog } from "./dialogs";
import { FromFiles } from "./FromFiles";
import { useMakeTheme } from "./useMakeTheme";

/** A new theme from a name and brand colours, or from files. */
export function NewThemeDialog() {
  const { opened, onClose } = useDialog("new");
  return (
    <Modal opened={opened} onClose={onClose} title="New theme">
      <NewThemeForm onDone={onClose} />
    </Modal>
  );
}

/** A document of these colours; the core finds each a name of its own. */
async function themeOf(name: string, colors: ColorItem[]): Promise<ThemeDocument> {
  const [first, ...others] = colors.map((item) => ({ name: item.name, color: item.css ?? "" }));
  const spec: ThemeDocument = { format: 1, name, brand: first ? [first] : [] };
  if (others.length === 0) return spec;
  const change = { do: "add-brand" as const, colors: others };
  return (await answer(api.POST("/api/change", { body: { spec, change } }))).spec;
}

export function NewThemeForm({ onDone }: { onDone: () => void }) {
  const save = useMakeTheme();
  const [name, setName] = useState("");
  const [colors, setColors] = useState("");
  const [refusal, setRefusal] = useState<string>();
  const items = useColors(colors);
  const create = async () => {
    const read = await readColors(colors);
    const unread = read.filter((item) => item.error).length;
    if (unread > 0) {
      setRefusal(
        unread === 1
          ? "One colour was not read; mend or remove it"
          : `${unread} colours were not read; mend or remove them`,
      );
      return;
    }
    await make(await themeOf(name.trim(), read));
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
        <Textarea
          label="Brand colours"
          description="One or a whole list, in any notation, names in front allowed"
          placeholder="#0f5c7a"
          mt="sm"
          autosize
          maxRows={8}
          spellCheck={false}
          value={colors}
          error={refusal}
          onChange={(e) => {
            setColors(e.currentTarget.value);
            setRefusal(undefined);
          }}
          onKeyDown={(e) => {
            if (e.key !== "Enter" || e.shiftKey) return;
            e.preventDefault();
            e.currentTarget.form?.requestSubmit();
          }}
        />
        <ColorList items={items} />
        <Group justify="flex-end" mt="md">
          <Button type="submit" disabled={name.trim() === "" || colors.trim() === ""}>
            Create
          </Button>
        </Group>
      </form>
      <FromFiles onSpec={make} />
    </>
  );
}
