import { Button, NativeSelect, SegmentedControl, TextInput } from "@mantine/core";
import { type FormEvent, useState } from "react";
import { answer, api, problemOf } from "../../api/client";
import { useTheEditor } from "../../editor/EditorContext";
import { addIntent, addToken, type Edit } from "../../editor/edits";
import classes from "./Ledger.module.css";

/** A token or an intent of one's own; both appear in every export. */
export function AddToken() {
  const { spec, preview, commit } = useTheEditor();
  const [what, setWhat] = useState("token");
  const [name, setName] = useState("");
  const [light, setLight] = useState("");
  const [dark, setDark] = useState("");
  const [scale, setScale] = useState("");
  const [refusal, setRefusal] = useState<string>();
  const brands = preview?.derived.scales.filter((s) => s.origin !== "derived").map((s) => s.slug) ?? [];

  const adding = (): Edit => {
    if (what === "intent") return (s) => addIntent(s, name.trim(), scale || (brands[0] ?? ""));
    const value = dark.trim() === "" ? { value: light.trim() } : { light: light.trim(), dark: dark.trim() };
    return (s) => addToken(s, name.trim(), value);
  };
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    const add = adding();
    try {
      await answer(api.POST("/api/derive", { body: { spec: add(spec) } }));
      await commit(add, `${name.trim()} added`);
      setName("");
      setLight("");
      setDark("");
    } catch (error) {
      setRefusal(problemOf(error).detail);
    }
  };
  return (
    <form className={classes.add} onSubmit={submit} onChange={() => setRefusal(undefined)}>
      <SegmentedControl
        size="xs"
        data={["token", "intent"]}
        value={what}
        onChange={setWhat}
        aria-label="What to add"
      />
      <TextInput
        size="xs"
        aria-label={what === "token" ? "Path of the new token" : "Name of the new intent"}
        placeholder={what === "token" ? "ferry.wake" : "boarding"}
        value={name}
        onChange={(e) => setName(e.currentTarget.value)}
      />
      {what === "token" ? (
        <>
          <TextInput
            size="xs"
            aria-label="Value, or value in light"
            placeholder="{petrol.100}"
            value={light}
            onChange={(e) => setLight(e.currentTarget.value)}
          />
          <TextInput
            size="xs"
            aria-label="Value in dark, if it differs"
            placeholder="in dark, if it differs"
            value={dark}
            onChange={(e) => setDark(e.currentTarget.value)}
          />
        </>
      ) : (
        <NativeSelect
          size="xs"
          aria-label="Its scale"
          data={brands}
          value={scale || brands[0]}
          onChange={(e) => setScale(e.currentTarget.value)}
        />
      )}
      <Button
        size="xs"
        type="submit"
        variant="default"
        disabled={name.trim() === "" || (what === "token" && light.trim() === "")}
      >
        Add
      </Button>
      {refusal && (
        <p className={classes.refusal} role="alert">
          {refusal}
        </p>
      )}
    </form>
  );
}
