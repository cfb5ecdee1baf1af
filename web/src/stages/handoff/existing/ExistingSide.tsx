import { Button, Checkbox, NativeSelect } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { problemOf } from "../../../api/client";
import { recolor, recoloredArchive } from "../../../api/exist";
import { ours, pathOf, type SourceFile } from "../../../api/inventory";
import { numberOf } from "../../../api/numberOf";
import { themesQuery, vocabularyQuery } from "../../../api/queries";
import { saveFile } from "../../../api/save";
import { unpacked } from "../../../api/unpacked";
import { useEditorState } from "../../../editor/EditorProvider";
import { documentOf, themeOf } from "../../../editor/selectors";
import { alterExisting, fromOf, useExisting } from "../../../existing/existing";
import { ChooseFiles } from "../../../ui/ChooseFiles";
import { counted } from "../../../ui/counted";
import { ChangedLines } from "./ChangedLines";
import classes from "./Existing.module.css";
import { MapTable } from "./MapTable";
import { Pictures } from "./Pictures";

const PICTURE = /\.(png|webp|jpe?g)$/i;

/** What exists already, with other colours: the map, the lines that change, and pictures. */
export default function ExistingSide() {
  const theme = useEditorState(themeOf);
  const spec = useEditorState(documentOf);
  const existing = useExisting(theme.id);
  const alter = (to: Parameters<typeof alterExisting>[1]) => alterExisting(theme.id, to);
  const { data: vocabulary } = useQuery(vocabularyQuery);
  const { data: themes = [] } = useQuery(themesQuery);
  const [told, setTold] = useState<string>();
  const { files, pictures, map, from, kin, comments, toVariables, at } = existing;
  const wanted = { files, map, from: fromOf(from), kin, comments, toVariables };
  const found = useQuery({
    queryKey: ["recolor", numberOf(spec), wanted],
    queryFn: () => recolor(spec, wanted),
    enabled: files.length > 0,
    placeholderData: (before) => before,
    gcTime: 30_000,
    retry: false,
  });
  const read = async (chosen: File[]) => {
    if (!vocabulary || chosen.length === 0) return;
    let brought: File[];
    try {
      brought = await unpacked(chosen);
    } catch (error) {
      return setTold(problemOf(error).detail);
    }
    const { taken, passed } = ours(brought, vocabulary.sources);
    const images = brought.filter((file) => PICTURE.test(file.name));
    const texts: SourceFile[] = await Promise.all(
      taken.map(async (file) => ({ name: pathOf(file), text: await file.text() })),
    );
    const left = passed - images.length;
    setTold(left > 0 ? `${counted(left, "file")} passed over` : undefined);
    const known = new Set(texts.map((file) => file.name));
    alter({
      files: [...files.filter((file) => !known.has(file.name)), ...texts],
      pictures: [...pictures.filter((p) => !images.some((i) => i.name === p.name)), ...images],
    });
  };
  const download = async () => {
    const [only] = data?.files ?? [];
    if (data?.files.length === 1 && only)
      saveFile(only.name.split("/").at(-1) ?? only.name, new Blob([only.text]));
    else saveFile("recolored.zip", (await recoloredArchive(spec, wanted)) as Blob);
  };
  const { error } = found;
  // What was refused leaves the last good answer in sight.
  const good = useRef(found.data);
  if (found.data) good.current = found.data;
  const data = files.length > 0 ? good.current : undefined;
  const places = data?.lines.reduce((sum, line) => sum + line.count, 0) ?? 0;
  const changed = data?.files.reduce((sum, file) => sum + file.changes.length, 0) ?? 0;
  return (
    <section className={classes.side} aria-label="Existing files">
      <div className={classes.bar}>
        <ChooseFiles folder="Folder to recolour" onFiles={(chosen) => void read(chosen)} />
        {files.length + pictures.length > 0 ? (
          <>
            <span>
              {counted(files.length + pictures.length, "file")} · {changed} of {counted(places, "place")}{" "}
              change
              {told && ` · ${told}`}
            </span>
            <button
              type="button"
              className={classes.quiet}
              onClick={() => alter({ files: [], pictures: [], map: {} })}
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
            {told ?? "style sheets, markup, JSON, resources, code and pictures: only their colours change"}
          </span>
        )}
      </div>
      {files.length + pictures.length > 0 && (
        <div className={classes.bar}>
          <NativeSelect
            size="xs"
            aria-label="Colours of the files"
            data={[
              { value: "", label: "map by hand" },
              ...(theme.revision > 1
                ? [{ value: `${theme.slug}@1`, label: "they have this theme's first revision" }]
                : []),
              ...themes
                .filter((other) => other.slug !== theme.slug)
                .map((other) => ({ value: other.slug, label: `they have ${other.name}` })),
            ]}
            value={from}
            onChange={(e) => alter({ from: e.currentTarget.value })}
          />
          <Checkbox
            size="xs"
            label="take kin along"
            title="Hover shades, tints and borders of the same hue move with their colour"
            checked={kin}
            onChange={(e) => alter({ kin: e.currentTarget.checked })}
          />
          <Checkbox
            size="xs"
            label="comments too"
            checked={comments}
            onChange={(e) => alter({ comments: e.currentTarget.checked })}
          />
          <Checkbox
            size="xs"
            label="refer to tokens, var(--…)"
            checked={toVariables}
            onChange={(e) => alter({ toVariables: e.currentTarget.checked })}
          />
        </div>
      )}
      {error && (
        <p role="alert" className={classes.refusal}>
          {problemOf(error).detail}
        </p>
      )}
      {data && files.length > 0 && (
        <>
          <MapTable
            lines={data.lines}
            at={at}
            map={map}
            refusal={problemOf(error ?? "").problems?.[0]}
            onChange={(hex, to) => {
              const { [hex]: _, ...others } = map;
              alter({ map: to === undefined ? others : { ...others, [hex]: to } });
            }}
          />
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
          pairs={[
            ...(data?.lines ?? []).flatMap((line): [string, string][] =>
              line.new.length === 1 && line.hex.length === 7 && !line.follows
                ? [[line.hex, line.new[0] ?? ""]]
                : [],
            ),
          ]}
        />
      )}
    </section>
  );
}
