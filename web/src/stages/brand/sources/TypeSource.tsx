import { Button, Textarea } from "@mantine/core";
import { type FormEvent, useRef, useState } from "react";
import { type ColorItem, refusalIn, refusalOf } from "../../../api/client";
import { useEditor, useEditorState } from "../../../editor/EditorProvider";
import { themeOf } from "../../../editor/selectors";
import { ColorList, readColors, useColors } from "../../../ui/ColorList";
import { offer } from "../tray";
import classes from "./TypeSource.module.css";

const colorsOf = (items: ColorItem[]) => items.flatMap(({ name, css }) => (css ? { name, color: css } : []));

/** One more colour or a whole pasted list: each entry becomes a colour or a refusal beside it. */
export default function TypeSource() {
  const editor = useEditor();
  const { id } = useEditorState(themeOf);
  const [refusal, setRefusal] = useState<string>();
  const [text, setText] = useState("");
  const adding = useRef(false);
  const items = useColors(text);
  const good = items.filter((i) => i.css);
  // What was refused stays in the field, to be mended, and what was typed on meanwhile.
  const keepRefused = (read: ColorItem[]) => {
    const refused = read.flatMap((i) => (i.error ? i.input : [])).join("\n");
    setText((now) => refused + (now.startsWith(text) ? now.slice(text.length) : ""));
  };
  const add = async () => {
    // Enter may come before the list below has followed the last letter.
    const read = await readColors(text);
    const colors = colorsOf(read);
    if (colors.length === 0) return;
    const [{ name, color } = { name: "", color: "" }] = colors;
    const label = colors.length === 1 ? `${name} ${color} added` : `${colors.length} colours added`;
    const { problem } = await editor.change({ do: "add-brand", colors }, label, { atField: true });
    setRefusal(problem && refusalOf(problem));
    if (!problem) keepRefused(read);
  };
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    if (adding.current || text.trim() === "") return;
    adding.current = true;
    await add().catch((error) => setRefusal(refusalIn(error)));
    adding.current = false;
  };
  const hold = () => {
    offer(id, colorsOf(items));
    keepRefused(items);
  };
  return (
    <form className={classes.add} onSubmit={submit}>
      <Textarea
        label="Add colours"
        description="Type or paste one or a whole list, in any notation, with names or without; Enter adds"
        placeholder={"#0f5c7a, 0xFFE4572E; rgb(138 154 43)\nHeather: #7a4b8f"}
        autosize
        minRows={2}
        maxRows={8}
        value={text}
        error={refusal}
        spellCheck={false}
        styles={{ input: { fontFamily: "var(--mono)", fontSize: "0.75rem" } }}
        onChange={(e) => {
          setText(e.currentTarget.value);
          setRefusal(undefined);
        }}
        onKeyDown={(e) => {
          if (e.key === "Enter" && !e.shiftKey) void submit(e);
        }}
      />
      <ColorList items={items} />
      <div className={classes.tools}>
        <Button type="submit" variant="default" disabled={good.length === 0}>
          {good.length > 1 ? `Add ${good.length} colours` : "Add colour"}
        </Button>
        <Button variant="subtle" color="ink" disabled={good.length === 0} onClick={hold}>
          Hold in the tray
        </Button>
      </div>
    </form>
  );
}
