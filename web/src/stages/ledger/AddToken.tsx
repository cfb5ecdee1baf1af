import { Button, NativeSelect, TextInput } from "@mantine/core";
import { useState } from "react";
import { writtenValue } from "../../api/writtenValue";
import { useEditor, useEditorState } from "../../editor/EditorProvider";
import { addToken } from "../../editor/edits";
import { intentsOf, scalesOf } from "../../editor/selectors";
import classes from "./Ledger.module.css";
import { useTaking } from "./useTaking";
import { ValueField } from "./ValueField";

/** A token or an intent of one's own; both appear in every export. */
export function AddToken() {
  const [what, setWhat] = useState("token");
  return (
    <div className={classes.add}>
      <NativeSelect
        size="xs"
        w={84}
        label="New"
        aria-label="What to add"
        data={["token", "intent"]}
        value={what}
        onChange={(e) => setWhat(e.currentTarget.value)}
      />
      {what === "token" ? <NewToken /> : <NewIntent />}
    </div>
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
  const empty = () => {
    setName("");
    setLight("");
    setDark("");
  };
  const { onSubmit, forget, refused } = useTaking();
  return (
    <form className={classes.adding} onSubmit={onSubmit(save, empty)} onChange={forget}>
      <TextInput
        size="xs"
        label="Path of the new token"
        placeholder="ferry.wake"
        value={name}
        onChange={(e) => setName(e.currentTarget.value)}
      />
      <ValueField
        label="Value, or value in light"
        placeholder="a colour or a token"
        mode="light"
        value={light}
        onValue={setLight}
      />
      <ValueField label="Value in dark, if it differs" mode="dark" value={dark} onValue={setDark} />
      <Button size="xs" type="submit" variant="default" disabled={name.trim() === "" || light.trim() === ""}>
        Add
      </Button>
      {refused}
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
  const { onSubmit, forget, refused } = useTaking();
  const removable = intents.filter((i) => own[i.name]);
  const remove = (intent: string) =>
    void editor.change({ do: "set-intent", intent }, `intent ${intent} removed`);
  return (
    <form className={classes.adding} onSubmit={onSubmit(save, () => setName(""))} onChange={forget}>
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
      {refused}
    </form>
  );
}
