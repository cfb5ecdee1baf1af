import { Button, Group, Modal, Textarea, TextInput } from "@mantine/core";
import { type FormEvent, useRef, useState } from "react";
import { answer, api, problemOf, type ThemeDocument } from "../api/client";
import { ColorList, readColors, useColors } from "../ui/ColorList";
import { useDialog } from "./dialogs";
import { FromFiles } from "./FromFiles";
import { newDocument } from "./newDocument";
import { PictureChoice } from "./PictureDialog";
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
  const drawnLines = useRef("");
  const draw = useRef(Math.floor(Date.now() / 1000) % 1_000_000);
  const items = useColors(colors);
  const proposed = items.find((item) => item.css)?.name ?? "";
  const drawStart = async () => {
    draw.current += 1;
    const drawn = await answer(api.POST("/api/start", { body: { draw: draw.current } }));
    setRefusal(undefined);
    const lines = drawn.map((c) => `${c.name}: ${c.hex}`).join("\n");
    // Another draw takes the place of the one before, never of what was typed.
    const typed = colors.replace(drawnLines.current, "").trim();
    drawnLines.current = lines;
    setColors(typed ? `${typed}\n${lines}` : lines);
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
        <Group justify="space-between" mt="md">
          <Button
            variant="default"
            onClick={() => void drawStart().catch((e) => setRefusal(problemOf(e).detail))}
          >
            Draw a start
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
