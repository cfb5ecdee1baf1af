import "../../../faces/load";
import { NativeSelect, SegmentedControl, TextInput } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { problemOf } from "../../../api/client";
import { useEditor, useEditorState } from "../../../editor/EditorProvider";
import { themeOf } from "../../../editor/selectors";
import {
  asSheets,
  cssFamilies,
  FACE_KINDS,
  FACES,
  type Face,
  faceOf,
  facesLike,
  sheetsOf,
} from "../../../faces/faces";
import { useWidths, WIDTHS } from "../../../faces/useWidths";
import { asFace, linkFace, webFaces } from "../../../faces/webFaces";
import { useWhole } from "../../../lineage/useLineage";
import { CopyButton } from "../../../ui/CopyButton";
import { useList } from "../../../ui/useList";
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
  const { type } = useWhole();
  const [slot, setSlot] = useState<Slot>("body");
  const [like, setLike] = useState({ kind: "", weight: 400, script: "", word: "" });
  const [width, setWidth] = useState("");
  const [words, setWords] = useState("");
  const service = useQuery({ queryKey: ["web-faces"], queryFn: webFaces, retry: false });
  const faces = [...FACES, ...(service.data?.map(asFace) ?? [])];
  const widths = useWidths(faces);
  const shown = facesLike(like, faces).filter((face) => width === "" || widths[face.name] === width);
  const list = useList<HTMLUListElement>({ each: "li", wrapped: true });
  const chosen = faceOf(type?.[slot], faces);
  useEffect(() => {
    for (const { family } of service.data ?? []) linkFace(document, family);
  }, [service.data]);
  const choose = (face: Face) => {
    const named = { ...type, [slot]: face.families };
    const sheets = asSheets(sheetsOf(named, faces));
    void editor.commit(setType({ [slot]: face.families, import: sheets }), `${slot} face: ${face.name}`);
  };
  const bold = type?.bold ?? 600;
  return (
    <div className={classes.faces}>
      <div className={classes.bar}>
        <SegmentedControl
          size="xs"
          className={classes.slots}
          aria-label="Face for"
          data={SLOTS.map((s) => ({ ...s }))}
          value={slot}
          onChange={(to) => setSlot(to as Slot)}
        />
        <TextInput
          size="xs"
          className={classes.words}
          aria-label="Words to set"
          placeholder={name}
          value={words}
          onChange={(e) => setWords(e.currentTarget.value)}
        />
        <TextInput
          size="xs"
          className={classes.words}
          aria-label="Find a face"
          placeholder="find"
          value={like.word}
          onChange={(e) => setLike({ ...like, word: e.currentTarget.value })}
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
          aria-label="Width"
          data={[{ value: "", label: "every width" }, ...WIDTHS]}
          value={width}
          onChange={(e) => setWidth(e.currentTarget.value)}
        />
        <NativeSelect
          size="xs"
          aria-label="Script"
          data={[{ value: "", label: "every script" }, "latin", "greek", "cyrillic", "vietnamese"]}
          value={like.script}
          onChange={(e) => setLike({ ...like, script: e.currentTarget.value })}
        />
      </div>
      <ul className={classes.cards} aria-label="Faces" {...list}>
        {shown.map((face) => (
          <li key={face.name}>
            <button
              type="button"
              aria-pressed={face.name === chosen?.name}
              style={{ fontFamily: cssFamilies(face.families) }}
              onClick={() => choose(face)}
            >
              <b style={{ fontWeight: bold }}>{words || name}</b>
              <span style={{ fontWeight: type?.regular ?? 400 }}>Harbour 0123 · Åsa Ölund</span>
              <small>
                {face.name} · {face.kind} · {face.weights[0]}–{face.weights[1]}
                {widths[face.name] && widths[face.name] !== "usual" && ` · ${widths[face.name]}`}
                {face.sheet && " · from the web"}
              </small>
            </button>
          </li>
        ))}
      </ul>
      {service.error && <p role="status">{problemOf(service.error).detail} The faces here need nobody.</p>}
      {shown.length === 0 && <p>No face here is like that; any name can be typed below.</p>}
      {chosen?.sheet && (
        <p className={classes.bring}>
          {chosen.name} comes with <CopyButton text={`@import url("${chosen.sheet}");`} />, which style sheets
          of this theme have at their head
        </p>
      )}
      {chosen?.package && (
        <p className={classes.bring}>
          {chosen.name} comes with <CopyButton text={`npm install ${chosen.package}`} /> and{" "}
          <CopyButton text={`import "${chosen.package}/index.css";`} />
        </p>
      )}
    </div>
  );
}
