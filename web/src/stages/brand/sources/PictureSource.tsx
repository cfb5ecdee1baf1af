import { Button, FileButton, SegmentedControl } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { problemOf } from "../../../api/client";
import { colorsOf } from "../../../api/picture";
import { vocabularyQuery } from "../../../api/queries";
import { useEditor, useEditorState } from "../../../editor/EditorProvider";
import { setBrand } from "../../../editor/edits";
import { themeOf } from "../../../editor/selectors";
import { useBrand } from "../../../lineage/useLineage";
import { Reading } from "../../../ui/Reading";
import { candidatesOf } from "../candidatesOf";
import { alter, type Candidate, isSpotOf, offer, useTray, useTrays, withdraw } from "../tray";
import classes from "./PictureSource.module.css";
import { PictureSpots } from "./PictureSpots";
import source from "./Source.module.css";
import type { Spot } from "./spot";
import { usePicture } from "./usePicture";

/** Pictures that colours of this theme stand in: by id, with the name of the file. */
function usePictures(): Map<string, string> {
  const { id } = useEditorState(themeOf);
  const brand = useBrand();
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
    <section className={source.source} aria-label="Picture">
      <div className={source.bar}>
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
        {reading && <Reading words={reading.name} onStop={reading.stop} />}
        {shown && <Lean picture={shown} name={pictures.get(shown) ?? ""} />}
      </div>
      {refusal && (
        <p role="alert" className={source.refusal}>
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
  const brand = useBrand();
  const saved = useEditorState((s) => s.theme.spec.brand);
  const tray = useTray(id);
  const isHere = isSpotOf(picture);
  const spots: Spot[] = [
    ...brand
      .filter(isHere)
      .map((b) => ({ key: `brand ${b.slug}`, brand: b.slug, name: b.name, color: b.color, ...at(b.from) })),
    ...tray.filter(isHere).map(({ key, name, color, from }) => ({ key, name, color, ...at(from) })),
  ];
  const from = (x: number, y: number) => ({ kind: "picture" as const, name, picture, x, y });
  return (
    <PictureSpots
      picture={picture}
      name={name}
      spots={spots}
      onMove={(spot, { color, name, x, y }) => {
        const slug = spot.brand;
        if (slug) editor.dragTo((d) => setBrand(d, { name: spot.name, slug }, { color, from: from(x, y) }));
        else alter(id, spot.key, { color, name, from: from(x, y) });
      }}
      onMoved={(spot, { color, x, y }) => {
        const slug = spot.brand;
        if (!slug) return;
        const before = saved?.find((b) => b.slug === slug)?.color ?? spot.color;
        const moved = before.toLowerCase() === color ? "" : ` ${before} → ${color},`;
        const label = `${spot.name}:${moved} another spot of ${name}`;
        void editor.commit((d) => setBrand(d, { name: spot.name, slug }, { color, from: from(x, y) }), label);
      }}
      onAdd={(to) => offer(id, [{ name: to.name, color: to.color, from: from(to.x, to.y) }])}
      onRemove={(spot) => withdraw(id, [spot.key])}
    />
  );
}

function at(from: Candidate["from"] | null) {
  return from?.kind === "picture" ? { x: from.x, y: from.y } : { x: 0.5, y: 0.5 };
}
