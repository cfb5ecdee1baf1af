import { Button, Group, TextInput } from "@mantine/core";
import { useEffect, useRef, useState } from "react";
import { problemOf, type ThemeDocument } from "../api/client";
import { firstOf, nameOf, type PictureView } from "../api/picture";
import { takenOf } from "../stages/brand/candidatesOf";
import { usePicture } from "../stages/brand/sources/usePicture";
import { Reading } from "../ui/Reading";
import { useOnceShown } from "../ui/useOnceShown";
import { newDocument } from "./newDocument";
import { PictureColors, TickOrder } from "./PictureColors";
import classes from "./PictureDialog.module.css";

interface Props {
  files: File[];
  /** The name that was typed before. */
  typed?: string;
  /** Makes a theme of it. */
  onSpec: (spec: ThemeDocument) => Promise<void>;
  /** Holds the colours beside the theme at hand, where there is one. */
  hold?: { theme: string; take: (name: string, picture: PictureView) => void };
}

/** A picture that came in anywhere: its colours on it, and what may become of them. */
export function PictureChoice({ files, typed = "", onSpec, hold }: Props) {
  const [found, setFound] = useState<{ file: string; picture: PictureView }>();
  const [taken, setTaken] = useState<string[]>([]);
  const [name, setName] = useState(typed);
  const proposed = useRef("");
  const [refused, setRefused] = useState<string>();
  const { reading, refusal, read } = usePicture((file, picture) => {
    setFound({ file, picture });
    setName((now) => (now === "" || now === proposed.current ? nameOf(file) : now));
    proposed.current = nameOf(file);
    setTaken(firstOf(picture));
  });
  useOnceShown(() => void read(files));
  // What had the keys is gone when the picture is read.
  const submit = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    if (found) submit.current?.focus();
  }, [found]);
  return (
    <div className={classes.choice}>
      {reading && <Reading words={reading.name} onStop={reading.stop} />}
      {(refusal ?? refused) && (
        <p role="alert" className={classes.refusal}>
          {refusal ?? refused}
        </p>
      )}
      {found && (
        <>
          <div className={classes.seen}>
            <div className={classes.picture}>
              <img src={`/api/pictures/${found.picture.id}`} alt={found.file} />
              {found.picture.colors.map((c) => (
                <i
                  key={`${c.hex}`}
                  data-left={!taken.includes(c.hex) || undefined}
                  style={{ left: `${c.x * 100}%`, top: `${c.y * 100}%`, background: c.hex }}
                />
              ))}
            </div>
            <div>
              <PictureColors colors={found.picture.colors} taken={taken} onTake={setTaken} />
              <TickOrder none={taken.length === 0} />
            </div>
          </div>
          <form
            onSubmit={(e) => {
              e.preventDefault();
              const colors = takenOf(found.file, found.picture, taken);
              newDocument(name.trim() || nameOf(found.file), colors)
                .then(onSpec)
                .catch((error) => setRefused(problemOf(error).detail));
            }}
          >
            <TextInput
              label="Name of the theme"
              value={name}
              maxLength={200}
              onChange={(e) => setName(e.currentTarget.value)}
            />
            <Group justify="flex-end" mt="md">
              {hold && (
                <Button variant="default" onClick={() => hold.take(found.file, found.picture)}>
                  Hold beside {hold.theme}
                </Button>
              )}
              <Button type="submit" ref={submit} data-autofocus disabled={taken.length === 0}>
                New theme
              </Button>
            </Group>
          </form>
        </>
      )}
    </div>
  );
}
