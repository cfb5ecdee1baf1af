import "../../../faces/load";
import { NativeSelect, SegmentedControl, TextInput } from "@mantine/core";
import { useState } from "react";
import { useEditor, useEditorState } from "../../../editor/EditorProvider";
import { documentOf, themeOf } from "../../../editor/selectors";
import { cssFamilies, FACE_KINDS, type Face, faceOf, facesLike } from "../../../faces/faces";
import { CopyButton } from "../../../ui/CopyButton";
import classes from "./Faces.module.css";
import { setType } from "./setType";

const SLOTS = [
  { value: "body", label: "text" },
  { value: "heading", label: "headings" },
  { value: "mono", label: "code" },
] as const;
type Slot = (typeof SLOTS)[number]["value"];

const WEIGHTS = [300, 400, 500, 600, 700, 800, 900];

/** Faces chosen by looking: one's own words set in each, at the sizes and weights in use. */
export function Faces() {
  const editor = useEditor();
  const { name } = useEditorState(themeOf);
  const { type } = useEditorState(documentOf);
  const [slot, setSlot] = useState<Slot>("body");
  const [like, setLike] = useState({ kind: "", weight: 400, script: "", word: "" });
  const [words, setWords] = useState("");
  const chosen = faceOf(type?.[slot]);
  const choose = (face: Face) =>
    void editor.commit(setType({ [slot]: face.families }), `${slot} face: ${face.name}`);
  const bold = type?.bold ?? 600;
  return (
    <div className={classes.faces}>
      <div className={classes.bar}>
        <SegmentedControl
          size="xs"
          aria-label="Face for"
          data={SLOTS.map((s) => ({ ...s }))}
          value={slot}
          onChange={(to) => setSlot(to as Slot)}
        />
        <TextInput
          size="xs"
          aria-label="Words to set"
          placeholder={name}
          value={words}
          onChange={(e) => setWords(e.currentTarget.value)}
        />
        <NativeSelect
          size="xs"
          aria-label="Kind"
          data={[{ value: "", label: "every kind" }, ...FACE_KINDS]}
          value={like.kind}
          onChange={(e) => setLike({ ...like, kind: e.currentTarget.value })}
        />
        <NativeSelect
          size="xs"
          aria-label="Weight that it has"
          data={WEIGHTS.map(String)}
          value={String(like.weight)}
          onChange={(e) => setLike({ ...like, weight: Number(e.currentTarget.value) })}
        />
        <NativeSelect
          size="xs"
          aria-label="Script"
          data={[{ value: "", label: "every script" }, "latin", "greek", "cyrillic", "vietnamese"]}
          value={like.script}
          onChange={(e) => setLike({ ...like, script: e.currentTarget.value })}
        />
        <TextInput
          size="xs"
          aria-label="Find a face"
          placeholder="find"
          value={like.word}
          onChange={(e) => setLike({ ...like, word: e.currentTarget.value })}
        />
      </div>
      <ul className={classes.cards} aria-label="Faces">
        {facesLike(like).map((face) => (
          <li key={face.name}>
            <button
              type="button"
              aria-pressed={face === chosen}
              style={{ fontFamily: cssFamilies(face.families) }}
              onClick={() => choose(face)}
            >
              <b style={{ fontWeight: bold }}>{words || name}</b>
              <span style={{ fontWeight: type?.regular ?? 400 }}>Harbour 0123 · Åsa Ölund, 07:40</span>
              <small>
                {face.name} · {face.kind} · {face.weights[0]} to {face.weights[1]}
              </small>
            </button>
          </li>
        ))}
      </ul>
      {facesLike(like).length === 0 && <p>No face here is like that; any name can be typed below.</p>}
      {chosen?.package && (
        <p className={classes.bring}>
          {chosen.name} comes with <CopyButton text={`npm install ${chosen.package}`} /> and{" "}
          <CopyButton text={`import "${chosen.package}/index.css";`} />
        </p>
      )}
    </div>
  );
}
