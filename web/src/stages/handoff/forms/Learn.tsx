import { Button, FileButton, Textarea, TextInput } from "@mantine/core";
import { type FormEvent, useState } from "react";
import { refusalIn, refusalOf } from "../../../api/client";
import { type Form, learnForm } from "../../../api/exist";
import { useEditorState } from "../../../editor/EditorProvider";
import { documentOf } from "../../../editor/selectors";
import type { Outcome } from "../../../editor/state";
import classes from "./Forms.module.css";

interface Props {
  onLearned: (name: string, form: Form) => Promise<Outcome>;
}

/** A name for a form from that of a file. */
const named = (file: string) =>
  (file.split(/[\\/]/).at(-1) ?? "")
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, "-")
    .replace(/^[-0-9]+|-+$/g, "") || "form";

/** A file in the in-house format: every colour in it becomes a place. */
export function Learn({ onLearned }: Props) {
  const spec = useEditorState(documentOf);
  const [file, setFile] = useState("scheme.json");
  const [text, setText] = useState("");
  const [refusal, setRefusal] = useState<string>();
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    try {
      const { form } = await learnForm(spec, file, text);
      const { problem } = await onLearned(named(file), form as unknown as Form);
      setRefusal(problem && refusalOf(problem));
    } catch (error) {
      setRefusal(refusalIn(error));
    }
  };
  return (
    <form className={classes.learn} onSubmit={submit} aria-label="Learn a form">
      <p>
        A form fills any format that has no target here. Paste a file in that format: every colour in it
        becomes a place, and the places that are colours of this theme follow it from then on.
      </p>
      <div className={classes.row}>
        <TextInput
          size="xs"
          label="Name of the file"
          value={file}
          onChange={(e) => setFile(e.currentTarget.value)}
        />
        <FileButton
          onChange={async (chosen) => {
            if (!chosen) return;
            setFile(chosen.name);
            setText(await chosen.text());
          }}
        >
          {(props) => (
            <Button size="compact-sm" variant="default" {...props}>
              Choose a file …
            </Button>
          )}
        </FileButton>
      </div>
      <Textarea
        label="Example"
        autosize
        minRows={10}
        maxRows={22}
        spellCheck={false}
        placeholder={'{ "primary": "#0f5c7a", "danger": "rgb(179, 18, 58)" }'}
        styles={{ input: { fontFamily: "var(--mono)", fontSize: "0.75rem" } }}
        value={text}
        error={refusal}
        onChange={(e) => {
          setText(e.currentTarget.value);
          setRefusal(undefined);
        }}
      />
      <div>
        <Button size="compact-sm" type="submit" disabled={text.trim() === ""}>
          Make a form of it
        </Button>
      </div>
    </form>
  );
}
