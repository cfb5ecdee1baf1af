import { Button } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useRef } from "react";
import { problemOf } from "../../../api/client";
import { recolorAsFar, recoloredArchive } from "../../../api/exist";
import { numberOf } from "../../../api/numberOf";
import { saveFile } from "../../../api/save";
import { useEditorState } from "../../../editor/EditorProvider";
import { documentOf, themeOf } from "../../../editor/selectors";
import { alterExisting, fromOf, useExisting } from "../../../existing/existing";
import { ChooseFiles } from "../../../ui/ChooseFiles";
import { counted } from "../../../ui/counted";
import { ChangedLines } from "./ChangedLines";
import classes from "./Existing.module.css";
import { FaceTable } from "./FaceTable";
import { How } from "./How";
import { MapTable } from "./MapTable";
import { Pictures } from "./Pictures";
import { useBrought } from "./useBrought";
import { usePictureColors } from "./usePictureColors";

/** What exists already, with other colours: the map, the lines that change, and pictures. */
export default function ExistingSide() {
  const theme = useEditorState(themeOf);
  const spec = useEditorState(documentOf);
  const existing = useExisting(theme.id);
  const alter = (to: Parameters<typeof alterExisting>[1]) => alterExisting(theme.id, to);
  const { told, bring } = useBrought(theme.id);
  const { files, pictures, map, from, kin, comments, toVariables, faces, at } = existing;
  const { colors, waiting } = usePictureColors(pictures);
  const wanted = {
    files,
    pictures: colors,
    map,
    from: fromOf(from),
    kin,
    comments,
    toVariables,
    faces,
  };
  const found = useQuery({
    queryKey: ["recolor", numberOf(spec), wanted],
    queryFn: () => recolorAsFar(spec, wanted),
    enabled: files.length + colors.length > 0,
    placeholderData: (before) => before,
    gcTime: 30_000,
    retry: false,
  });
  const download = async () => {
    const [only] = data?.files ?? [];
    if (data?.files.length === 1 && only)
      saveFile(only.name.split("/").at(-1) ?? only.name, new Blob([only.text]));
    else saveFile("recolored.zip", (await recoloredArchive(spec, taken)) as Blob);
  };
  const { error } = found;
  // What was refused leaves the last good answer in sight.
  const good = useRef(found.data);
  if (found.data) good.current = found.data;
  const {
    found: data,
    taken = wanted,
    refusals = {},
  } = files.length + colors.length > 0 && good.current ? good.current : {};
  const everything = [...(data?.lines ?? []), ...(data?.faces ?? [])];
  const places = everything.reduce((sum, line) => sum + line.count, 0);
  const changed = data?.files.reduce((sum, file) => sum + file.changes.length + file.faces.length, 0) ?? 0;
  return (
    <section className={classes.side} aria-label="Existing files">
      <div className={classes.bar}>
        <ChooseFiles folder="Folder to recolour" onFiles={(chosen) => void bring(chosen)} />
        {files.length + pictures.length > 0 ? (
          <>
            <span>
              {counted(files.length + pictures.length, "file")}
              {files.length > 0 && ` · ${changed} of ${counted(places, "place")} change`}
              {told && ` · ${told}`}
            </span>
            <button
              type="button"
              className={classes.quiet}
              onClick={() => alter({ files: [], pictures: [], map: {}, faces: {} })}
            >
              empty
            </button>
            <Button
              size="compact-sm"
              className={classes.get}
              disabled={changed === 0}
              onClick={() => void download()}
            >
              {(data?.files.length ?? 0) > 1 ? "Download as .zip" : "Download"}
            </Button>
          </>
        ) : (
          <span>
            {told ??
              "style sheets, markup, JSON, resources, code and pictures: only their colours and faces change"}
          </span>
        )}
      </div>
      {files.length + pictures.length > 0 && <How />}
      {error && (
        <p role="alert" className={classes.refusal}>
          {problemOf(error).detail}
        </p>
      )}
      {waiting && <p className={classes.quiet}>reading the colours of pictures …</p>}
      {data && (
        <>
          <MapTable
            lines={data.lines}
            at={at}
            map={map}
            refusals={refusals}
            onChange={(hex, to) => {
              const { [hex]: _, ...others } = map;
              alter({ map: to === undefined ? others : { ...others, [hex]: to } });
            }}
          />
          {data.faces.length > 0 && (
            <FaceTable
              lines={data.faces}
              chosen={faces}
              refusals={refusals}
              onChange={(face, to) => {
                const { [face]: _, ...others } = faces;
                alter({ faces: to === undefined ? others : { ...others, [face]: to } });
              }}
            />
          )}
          {data.skipped.map((one) => (
            <p key={one.file} className={classes.refusal}>
              {one.file}: {one.why}
            </p>
          ))}
          <ChangedLines before={files} files={data.files} />
        </>
      )}
      {pictures.length > 0 && (
        <Pictures
          pictures={pictures}
          pairs={(data?.lines ?? []).flatMap((line): [string, string][] =>
            // Kin of a colour move with it in a picture anyway.
            line.new.length === 1 && line.hex.length === 7 && !line.follows && !line.doubtful
              ? [[line.hex, line.new[0] ?? ""]]
              : [],
          )}
        />
      )}
    </section>
  );
}
