import { Button, Textarea } from "@mantine/core";
import { type FormEvent, useEffect, useRef, useState } from "react";
import { answer, api, type ColorItem } from "../../api/client";
import { useEditor } from "../../editor/EditorProvider";
import { refusalOf } from "../../ui/refusal";
import classes from "./BrandStage.module.css";

/** One more colour or a whole pasted list: each entry becomes a colour or a refusal beside it. */
export function AddBrand() {
  const editor = useEditor();
  const [refusal, setRefusal] = useState<string>();
  const [text, setText] = useState("");
  const [items, setItems] = useState<ColorItem[]>([]);
  const latest = useRef("");

  useEffect(() => {
    latest.current = text;
    if (text.trim() === "") {
      setItems([]);
      return;
    }
    answer(api.POST("/api/colors", { body: { text } })).then(
      (found) => latest.current === text && setItems(found),
      () => undefined,
    );
  }, [text]);

  const good = items.filter((i) => i.css);
  const bad = items.filter((i) => i.error);
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    if (good.length === 0) return;
    const colors = good.map((i) => ({ name: i.name, color: i.css ?? "" }));
    const label =
      good.length === 1 ? `${good[0]?.name} ${good[0]?.css} added` : `${good.length} colours added`;
    const { problem } = await editor.change({ do: "add-brand", colors }, label, { atField: true });
    setRefusal(problem && refusalOf(problem));
    // What was refused stays in the field, to be mended.
    if (!problem) setText(bad.map((i) => i.input).join("\n"));
  };
  return (
    <form className={classes.add} onSubmit={submit}>
      <Textarea
        label="Add colours"
        description="Type or paste one or a whole list, in any notation, names in front allowed"
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
          if (e.key === "Enter" && (e.ctrlKey || e.metaKey)) void submit(e);
        }}
      />
      {items.length > 0 && (
        <ul className={classes.found} aria-label="What was read">
          {items.map((item, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: entries have no identity but their place
            <li key={`${i} ${item.input}`}>
              {item.hex ? (
                <>
                  <span className={classes.dot} style={{ background: item.hex }} /> {item.name}{" "}
                  <code>{item.css}</code> {item.note && <small>{item.note}</small>}
                </>
              ) : (
                <span className={classes.refused}>
                  <code>{item.input}</code>: {item.error}
                </span>
              )}
            </li>
          ))}
        </ul>
      )}
      <Button type="submit" variant="default" disabled={good.length === 0}>
        {good.length > 1 ? `Add ${good.length} colours` : "Add colour"}
      </Button>
    </form>
  );
}
