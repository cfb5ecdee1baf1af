import { Button, FileButton, TextInput } from "@mantine/core";
import { useLocalStorage } from "@mantine/hooks";
import { type FormEvent, useState } from "react";
import { problemOf, refusalIn } from "../../../../api/client";
import { keepSet, readSet, type SetContent } from "../../../../api/sets";
import { useEditorState } from "../../../../editor/EditorProvider";
import { themeOf } from "../../../../editor/selectors";
import { useBrand } from "../../../../lineage/useLineage";
import { counted } from "../../../../ui/counted";
import { Swatch } from "../../../../ui/Swatch";
import classes from "./Library.module.css";

interface Refusal {
  /** The field that it is about. */
  at: string;
  words: string;
}

/** The brand, or what a file holds, kept as a set. */
export function Keeping({ onKept }: { onKept: () => void }) {
  const theme = useEditorState(themeOf);
  const brand = useBrand();
  const [owner, setOwner] = useLocalStorage({ key: "rhodon-set-owner", defaultValue: "" });
  const [name, setName] = useState("");
  const [words, setWords] = useState("");
  const [note, setNote] = useState("");
  const [refusal, setRefusal] = useState<Refusal>();
  const keep = async (content: SetContent) => {
    try {
      await keepSet(content);
      setRefusal(undefined);
      setName("");
      setWords("");
      setNote("");
      onKept();
    } catch (error) {
      const { problems, detail } = problemOf(error);
      const [first] = problems ?? [];
      setRefusal({ at: first?.pointer.split("/")[1] ?? "", words: first?.message ?? detail });
    }
  };
  const submit = (event: FormEvent) => {
    event.preventDefault();
    const colors = brand.map((b) => ({ name: b.name, hex: b.color }));
    void keep({ name: name || theme.name, words: words.split(" ").filter(Boolean), note, owner, colors });
  };
  const take = async (files: File[]) => {
    for (const file of files) {
      try {
        const read = await readSet(file.name, await file.text());
        await keep({ ...read, owner: read.owner || owner, name: read.name || file.name });
      } catch (error) {
        setRefusal({ at: "", words: refusalIn(error) });
      }
    }
  };
  const at = (field: string) => (refusal?.at === field ? refusal.words : undefined);
  const field = (label: string, key: string, value: string, set: (to: string) => void, placeholder = "") => (
    <TextInput
      size="xs"
      label={label}
      placeholder={placeholder}
      value={value}
      error={at(key)}
      onChange={(e) => {
        set(e.currentTarget.value);
        setRefusal(undefined);
      }}
    />
  );
  return (
    <form className={classes.keeping} onSubmit={submit} aria-label="Keep a set">
      {field("Keep this brand as", "name", name, setName, theme.name)}
      {field("Words", "words", words, setWords, "harbour calm")}
      {field("Note", "note", note, setNote)}
      {field("By", "owner", owner, setOwner, "your name")}
      <Button size="compact-sm" type="submit" variant="default" disabled={brand.length === 0}>
        <Swatch colors={brand.map((b) => b.color)} />
        &nbsp;Keep {counted(brand.length, "colour")}
      </Button>
      <FileButton multiple onChange={(files) => void take(files)}>
        {(props) => (
          <Button size="compact-sm" variant="default" {...props}>
            From a file …
          </Button>
        )}
      </FileButton>
      {refusal && !["name", "words", "note", "owner"].includes(refusal.at) && (
        <p role="alert" className={classes.refusal}>
          {refusal.words}
        </p>
      )}
    </form>
  );
}
