import { Button, FileButton } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { answer, api, problemOf, type ThemeDocument } from "../api/client";
import { isPicture } from "../api/picture";
import { vocabularyQuery } from "../api/queries";
import { Sentence } from "../ui/Sentence";
import { Swatch } from "../ui/Swatch";
import classes from "./FromFiles.module.css";

type Read = Awaited<ReturnType<typeof readFiles>>;

async function readFiles(files: File[]) {
  const texts = await Promise.all(files.map(async (f) => ({ name: f.name, text: await f.text() })));
  return answer(api.POST("/api/read", { body: { files: texts } }));
}

interface Props {
  /** Files that are at hand already. */
  dropped?: File[] | undefined;
  onSpec: (spec: ThemeDocument) => Promise<void>;
  /** Takes what is a picture, where pictures are taken too. */
  onPictures?: (files: File[]) => void;
}

/** A theme from a saved document or the files of a set of design tokens. */
export function FromFiles({ dropped, onSpec, onPictures }: Props) {
  const { data } = useQuery(vocabularyQuery);
  const readers = data?.readers ?? [];
  const pictureEndings = onPictures ? (data?.pictures.endings ?? []).map((e) => `.${e}`) : [];
  const endings = [...new Set([...readers.flatMap((r) => r.endings), ...pictureEndings])];
  const [read, setRead] = useState<Read>();
  const [refusal, setRefusal] = useState<string>();
  const told = (error: unknown) => setRefusal(problemOf(error).detail);
  const take = async (files: File[]) => {
    if (files.length === 0) return;
    const pictures = onPictures ? files.filter(isPicture) : [];
    if (pictures.length > 0) return onPictures?.(pictures);
    setRefusal(undefined);
    setRead(undefined);
    try {
      const found = await readFiles(files);
      // Nothing to tell: the theme opens at once.
      if (found.spec && found.problems.length === 0 && found.notes.length === 0)
        await onSpec(found.spec as ThemeDocument);
      else setRead(found);
    } catch (error) {
      told(error);
    }
  };
  const first = useRef(dropped);
  // biome-ignore lint/correctness/useExhaustiveDependencies: what was dropped is read once
  useEffect(() => {
    if (first.current) void take(first.current);
  }, []);
  const spec = read?.spec as ThemeDocument | null | undefined;
  return (
    <section className={classes.files} aria-label="From files">
      <FileButton accept={endings.join(",")} multiple onChange={take}>
        {(props) => (
          <Button variant="default" {...props}>
            Choose files …
          </Button>
        )}
      </FileButton>
      {!read && (
        <p>
          {onPictures ? "A picture for its colours, a" : "A"} saved theme document, design tokens (tokens.json
          with tokens.dark.json and theme.resolver.json), a list, or any style sheet, script, resource or
          settings with colours in them.
        </p>
      )}
      {refusal && (
        <p role="alert" className={classes.problem}>
          {refusal}
        </p>
      )}
      {spec?.brand && (
        <ul aria-label={`Brand colours of ${spec.name}`} className={classes.brand}>
          {spec.brand.map(({ slug, name, color }) => (
            <li key={slug}>
              <Swatch colors={[color]} large /> {name} <code>{color}</code>
            </li>
          ))}
        </ul>
      )}
      {read && read.problems.length > 0 && (
        <ul aria-label="What could not be read" className={classes.problem}>
          {read.problems.map((p) => (
            <li key={`${p.file} ${p.place} ${p.message}`}>
              {p.file}
              {p.place && `, ${p.place}`}: {p.message}
            </li>
          ))}
        </ul>
      )}
      {spec && (
        <Button onClick={() => onSpec(spec).catch(told)}>
          {read?.problems.length ? "Create from the rest" : "Create"}
        </Button>
      )}
      {read && read.notes.length > 0 && (
        <ul aria-label="What was done with names">
          {read.notes.map((note) => (
            <li key={note}>
              <Sentence text={note} />
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
