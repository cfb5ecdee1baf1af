import { Button, FileButton, SegmentedControl } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { problemOf } from "../../../api/client";
import { colorsOf } from "../../../api/picture";
import { vocabularyQuery } from "../../../api/queries";
import { useEditor, useEditorState } from "../../../editor/EditorProvider";
import { setBrand } from "../../../editor/edits";
import { documentOf, themeOf } from "../../../editor/selectors";
import { candidatesOf } from "../candidatesOf";
import { alter, type Candidate, isSpotOf, offer, useTray, useTrays, withdraw } from "../tray";
import classes from "./PictureSource.module.css";
import { PictureSpots, type Spot } from "./PictureSpots";
import { usePicture } from "./usePicture";

/** Pictures that colours of this theme stand in: by id, with the name of the file. */
function usePictures(): Map<string, string> {
  const { id } = useEditorState(themeOf);
  const brand = useEditorState(documentOf).brand ?? [];
  const tray = useTray(id);
  const found = new Map<string, string>();
  for (const { from } of [...brand, ...tray])
    if (from?.kind === "picture" && from.picture) found.set(from.picture, from.name);
  return found;
}

/** A picture with a spot for each colour; what is found lies in the tray. */
export default function PictureSource() {
  const { id } = useEditorState(themeOf);
  const pictures = usePictures();
  const [chosen, setChosen] = useState<string>();
  const { data } = useQuery(vocabularyQuery);
  const { reading, refusal, read } = usePicture((name, picture) => {
    offer(id, candidatesOf(name, picture));
    setChosen(picture.id);
  });
  const ids = [...pictures.keys()];
  const shown = chosen && pictures.has(chosen) ? chosen : ids.at(-1);
  const endings = data?.pictures.endings.map((e) => `.${e}`).join(",");
  return (
    <section className={classes.picture} aria-label="Picture">
      <div className={classes.bar}>
        <FileButton accept={endings ?? "image/*"} multiple onChange={(files) => void read(files)}>
          {(props) => (
            <Button size="compact-sm" variant="default" {...props}>
              Choose a picture …
            </Button>
          )}
        </FileButton>
        {ids.length > 1 &&
          ids.map((one) => (
            <button
              key={one}
              type="button"
              className={classes.other}
              aria-pressed={one === shown}
              onClick={() => setChosen(one)}
            >
              <img src={`/api/pictures/${one}`} alt="" /> {pictures.get(one)}
            </button>
          ))}
        {!shown && !reading && (
          <span>or drop one on the window, or paste it: a logo, a photo, a screenshot</span>
        )}
        {reading && (
          <span role="status" className={classes.reading}>
            reading {reading.name} …{" "}
            <button type="button" onClick={reading.stop}>
              stop
            </button>
          </span>
        )}
        {shown && <Lean picture={shown} name={pictures.get(shown) ?? ""} />}
      </div>
      {refusal && (
        <p role="alert" className={classes.refusal}>
          {refusal}
        </p>
      )}
      {shown && <Spots key={shown} picture={shown} name={pictures.get(shown) ?? ""} />}
    </section>
  );
}

/** Other colours of the same picture. */
function Lean({ picture, name }: { picture: string; name: string }) {
  const { id } = useEditorState(themeOf);
  const { data } = useQuery(vocabularyQuery);
  const [lean, setLean] = useState("");
  const [refusal, setRefusal] = useState<string>();
  const look = async (to: string) => {
    setLean(to);
    try {
      const found = await colorsOf(picture, to ? { lean: to } : {});
      const tray = useTrays.getState().trays[id] ?? [];
      withdraw(
        id,
        tray.filter(isSpotOf(picture)).map((one) => one.key),
      );
      offer(id, candidatesOf(name, found));
      setRefusal(undefined);
    } catch (error) {
      setRefusal(problemOf(error).detail);
    }
  };
  return (
    <div className={classes.lean}>
      <SegmentedControl
        size="xs"
        aria-label="Lean"
        value={lean}
        onChange={(to) => void look(to)}
        data={[
          { value: "", label: "as it is" },
          ...(data?.pictures.leans ?? []).map((word) => ({ value: word, label: word })),
        ]}
      />
      {refusal && <span role="alert">{refusal}</span>}
    </div>
  );
}

/** Spots of brand colours and of candidates: what is moved follows. */
function Spots({ picture, name }: { picture: string; name: string }) {
  const editor = useEditor();
  const { id } = useEditorState(themeOf);
  const brand = useEditorState(documentOf).brand ?? [];
  const saved = useEditorState((s) => s.theme.spec.brand);
  const tray = useTray(id);
  const isHere = isSpotOf(picture);
  const spots: Spot[] = [
    ...brand
      .filter(isHere)
      .map((b) => ({ key: `brand ${b.slug}`, taken: true, name: b.name, color: b.color, ...at(b.from) })),
    ...tray
      .filter(isHere)
      .map((one) => ({ key: one.key, taken: false, name: one.name, color: one.color, ...at(one.from) })),
  ];
  const from = (x: number, y: number) => ({ kind: "picture" as const, name, picture, x, y });
  const slugOf = (key: string) => (key.startsWith("brand ") ? key.slice(6) : undefined);
  return (
    <PictureSpots
      picture={picture}
      name={name}
      spots={spots}
      onMove={(key, to) => {
        const slug = slugOf(key);
        if (slug) editor.draft((d) => setBrand(d, slug, { color: to.color, from: from(to.x, to.y) }));
        else alter(id, key, { color: to.color, name: to.name, from: from(to.x, to.y) });
      }}
      onMoved={(key, to) => {
        const slug = slugOf(key);
        if (!slug) return;
        const before = saved?.find((b) => b.slug === slug);
        const label = `${before?.name}: ${before?.color} → ${to.color}, another spot of ${name}`;
        void editor.commit((d) => setBrand(d, slug, { color: to.color, from: from(to.x, to.y) }), label);
      }}
      onAdd={(to) => offer(id, [{ name: to.name, color: to.color, from: from(to.x, to.y) }])}
      onRemove={(key) => withdraw(id, [key])}
    />
  );
}

function at(from: Candidate["from"] | null) {
  return from?.kind === "picture" ? { x: from.x, y: from.y } : { x: 0.5, y: 0.5 };
}
