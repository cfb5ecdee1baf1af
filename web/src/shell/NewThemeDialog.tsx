import { Button, Group, Modal, Textarea, TextInput } from "@mantine/core";
import { type FormEvent, useState } from "react";
import { problemOf, type ThemeDocument } from "../api/client";
import { ColorList, readColors, useColors } from "../ui/ColorList";
import { useDialog } from "./dialogs";
import { FromFiles } from "./FromFiles";
import { KeptColors } from "./KeptColors";
import { newDocument } from "./newDocument";
import { PictureChoice } from "./PictureDialog";
import { useDraw } from "./useDraw";
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

export function NewThemeForm({ onDone }: { onDone: () => void }) {
  const save = useMakeTheme();
  const [name, setName] = useState("");
  const [colors, setColors] = useState("");
  const [refusal, setRefusal] = useState<string>();
  const [pictures, setPictures] = useState<File[]>();
  const items = useColors(colors);
  const { drawn, draw, keep } = useDraw(colors, items, setColors);
  const proposed = items.find((item) => item.css)?.name ?? "";
  const drawAgain = () => {
    setRefusal(undefined);
    draw().catch((error) => setRefusal(problemOf(error).detail));
  };
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
    const brand = read.map((item) => ({ name: item.name, color: item.css ?? "" }));
    await make(await newDocument(name.trim() || proposed || "Theme", brand));
  };
  const make = async (spec: ThemeDocument, source?: string) => {
    await save(spec, source);
    onDone();
  };
  const submit = (event: FormEvent) => {
    event.preventDefault();
    create().catch((error) => setRefusal(problemOf(error).detail));
  };
  if (pictures)
    return <PictureChoice files={pictures} typed={name} onSpec={(spec) => make(spec, "picture")} />;
  return (
    <>
      <form onSubmit={submit}>
        <TextInput
          label="Name"
          value={name}
          placeholder={proposed || "taken from the first colour"}
          maxLength={200}
          data-autofocus
          onChange={(e) => setName(e.currentTarget.value)}
        />
        <Textarea
          label="Brand colours"
          description="One or a whole list, in any notation, with names or without. Enter creates, Shift Enter begins a line"
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
        {drawn.length > 0 && <KeptColors drawn={drawn} onKeep={keep} />}
        <Group justify="space-between" mt="md">
          <Button variant="default" onClick={drawAgain}>
            {drawn.length > 0 ? "Draw again" : "Draw a start"}
          </Button>
          <Button type="submit" disabled={colors.trim() === ""}>
            Create
          </Button>
        </Group>
      </form>
      <FromFiles
        onSpec={(spec) => make({ ...spec, name: name.trim() || spec.name })}
        onPictures={setPictures}
      />
    </>
  );
}
