import { Button, TextInput } from "@mantine/core";
import { type FormEvent, useState } from "react";
import { ApiProblem, answer, api } from "../../api/client";
import { useTheEditor } from "../../editor/EditorContext";
import { addBrand } from "../../editor/edits";
import classes from "./BrandStage.module.css";

/** Another brand colour, named after its look until somebody names it. */
export function AddBrand() {
  const { spec, commit } = useTheEditor();
  const [text, setText] = useState("");
  const [refusal, setRefusal] = useState<string>();
  const add = async () => {
    const seen = await answer(api.POST("/api/color", { body: { text } }));
    const saved = await commit(addBrand(spec, seen.name, seen.css), `${seen.name} ${seen.css} added`);
    if (saved) setText("");
  };
  const submit = (event: FormEvent) => {
    event.preventDefault();
    add().catch((error) => setRefusal(error instanceof ApiProblem ? error.message : String(error)));
  };
  return (
    <form className={classes.add} onSubmit={submit}>
      <TextInput
        label="Add a colour"
        placeholder="#0f5c7a, hsl(197 78% 27%), teal …"
        value={text}
        error={refusal}
        spellCheck={false}
        styles={{ input: { fontFamily: "var(--mono)" } }}
        onChange={(e) => {
          setText(e.currentTarget.value);
          setRefusal(undefined);
        }}
      />
      <Button type="submit" variant="default" disabled={text.trim() === ""} mb={refusal ? 22 : 0}>
        Add
      </Button>
    </form>
  );
}
