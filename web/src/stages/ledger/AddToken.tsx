import { Button, NativeSelect, SegmentedControl, TextInput } from "@mantine/core";
import { type FormEvent, useState } from "react";
import { refusalIn, refusalOf } from "../../api/client";
import { writtenValue } from "../../api/writtenValue";
import { useEditor, useEditorState } from "../../editor/EditorProvider";
import { addToken } from "../../editor/edits";
import { intentsOf, scalesOf } from "../../editor/selectors";
import type { Outcome } from "../../editor/store";
import classes from "./Ledger.module.css";

/** A token or an intent of one's own; both appear in every export. */
export function AddToken() {
  const [what, setWhat] = useState("token");
  return (
    <div className={classes.add}>
      <SegmentedControl
        size="xs"
        data={["token", "intent"]}
        value={what}
        onChange={setWhat}
        aria-label="What to add"
      />
      {what === "token" ? <NewToken /> : <NewIntent />}
    </div>
  );
}

/** A form whose refusal stands in it, and whose fields are emptied once it is taken. */
function useAdding(save: () => Promise<Outcome>, done: () => void) {
  const [refusal, setRefusal] = useState<string>();
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    try {
      const { problem } = await save();
      setRefusal(problem && refusalOf(problem));
      if (!problem) done();
    } catch (error) {
      setRefusal(refusalIn(error));
    }
  };
  return { refusal, submit, forget: () => setRefusal(undefined) };
}

function Refusal({ text }: { text: string | undefined }) {
  if (!text) return null;
  return (
    <p className={classes.refusal} role="alert">
      {text}
    </p>
  );
}

function NewToken() {
  const editor = useEditor();
  const [name, setName] = useState("");
  const [light, setLight] = useState("");
  const [dark, setDark] = useState("");
  const save = async () => {
    const first = await writtenValue("color", light);
    const value =
      dark.trim() === "" ? { value: first } : { light: first, dark: await writtenValue("color", dark) };
    const path = name.trim();
    return editor.commit((d) => addToken(d, path, value), `${path} added`, { atField: true });
  };
  const { refusal, submit, forget } = useAdding(save, () => {
    setName("");
    setLight("");
    setDark("");
  });
  return (
    <form className={classes.adding} onSubmit={submit} onChange={forget}>
      <TextInput
        size="xs"
        label="Path of the new token"
        placeholder="ferry.wake"
        value={name}
        onChange={(e) => setName(e.currentTarget.value)}
      />
      <TextInput
        size="xs"
        label="Value, or value in light"
        placeholder="{petrol.100}"
        value={light}
        onChange={(e) => setLight(e.currentTarget.value)}
      />
      <TextInput
        size="xs"
        label="Value in dark, if it differs"
        value={dark}
        onChange={(e) => setDark(e.currentTarget.value)}
      />
      <Button size="xs" type="submit" variant="default" disabled={name.trim() === "" || light.trim() === ""}>
        Add
      </Button>
      <Refusal text={refusal} />
    </form>
  );
}

function NewIntent() {
  const editor = useEditor();
  const scales = useEditorState(scalesOf) ?? [];
  const intents = useEditorState(intentsOf) ?? [];
  const own = useEditorState((s) => s.document.intents) ?? {};
  const [name, setName] = useState("");
  const [scale, setScale] = useState("");
  const brands = scales.filter((s) => s.origin !== "derived").map((s) => s.slug);
  const save = () => {
    const intent = name.trim();
    const change = { do: "set-intent", intent, scale: scale || (brands[0] ?? "") } as const;
    return editor.change(change, `${intent} added`, { atField: true });
  };
  const { refusal, submit, forget } = useAdding(save, () => setName(""));
  const removable = intents.filter((i) => own[i.name]);
  const remove = (intent: string) =>
    void editor.change({ do: "set-intent", intent }, `intent ${intent} removed`);
  return (
    <form className={classes.adding} onSubmit={submit} onChange={forget}>
      <TextInput
        size="xs"
        label="Name of the new intent"
        placeholder="boarding"
        value={name}
        onChange={(e) => setName(e.currentTarget.value)}
      />
      <NativeSelect
        size="xs"
        label="Its scale"
        data={brands}
        value={scale || brands[0]}
        onChange={(e) => setScale(e.currentTarget.value)}
      />
      <Button size="xs" type="submit" variant="default" disabled={name.trim() === ""}>
        Add
      </Button>
      {removable.map((i) => (
        <Button key={i.name} size="xs" variant="subtle" onClick={() => remove(i.name)}>
          Remove {i.name}
        </Button>
      ))}
      <Refusal text={refusal} />
    </form>
  );
}
