import { Button } from "@mantine/core";
import { useState } from "react";
import { refusalOf } from "../../../api/client";
import type { SourceFile, Used } from "../../../api/inventory";
import type { Outcome } from "../../../editor/state";
import { counted } from "../../../ui/counted";
import { Swatch } from "../../../ui/Swatch";
import classes from "./FilesSource.module.css";

interface Props {
  used: Used;
  files: SourceFile[];
  /** Makes an own token of it under one of its names. */
  onName: (name: string) => Promise<Outcome>;
  onHold: () => void;
  onHoldFamily: () => void;
}

/** The most names that are offered. */
const MOST_NAMES = 4;

/** How many characters of a line are shown before a colour. */
const BEFORE = 48;

/** Where a colour stands, with the text around it. */
export function Places({ used, files, onName, onHold, onHoldFamily }: Props) {
  const [refusal, setRefusal] = useState<string>();
  const named = async (name: string) => {
    const { problem } = await onName(name);
    setRefusal(problem && refusalOf(problem));
  };
  return (
    <section className={classes.places} aria-label={`Places of ${used.hex}`}>
      <header>
        <Swatch colors={[used.hex]} large /> <b>{used.name}</b> <code>{used.hex}</code>
        <span>{used.names.join(", ")}</span>
        <Button size="compact-xs" onClick={onHold}>
          Hold in the tray
        </Button>
        {used.near.length > 0 && (
          <Button size="compact-xs" variant="default" onClick={onHoldFamily}>
            Hold one for {counted(used.near.length + 1, "colour")}
          </Button>
        )}
        {used.names.slice(0, MOST_NAMES).map((name) => (
          <Button
            key={name}
            size="compact-xs"
            variant="default"
            title="An own token under a path made from this name"
            onClick={() => void named(name)}
          >
            Own token {name}
          </Button>
        ))}
      </header>
      {refusal && <p role="alert">{refusal}</p>}
      {used.near.length > 0 && (
        <p>
          nearly <Swatch colors={used.near} /> {used.near.join(", ")}
        </p>
      )}
      <ol>
        {used.places.map((place) => {
          const line = lineOf(files, place.file, place.line);
          const at = place.column - 1;
          const letters = [...line];
          const before = letters.slice(Math.max(0, at - BEFORE), at).join("");
          const after = letters.slice(at + [...place.text].length, at + 90).join("");
          return (
            <li key={`${place.file} ${place.line} ${place.column}`}>
              <span>
                {place.file}:{place.line}
              </span>
              <code>
                {before.trimStart()}
                <mark>{place.text}</mark>
                {after}
              </code>
            </li>
          );
        })}
      </ol>
      {used.count > used.places.length && <p>and {used.count - used.places.length} more</p>}
    </section>
  );
}

function lineOf(files: SourceFile[], name: string, line: number): string {
  const text = files.find((file) => file.name === name)?.text ?? "";
  return text.split("\n", line)[line - 1] ?? "";
}
