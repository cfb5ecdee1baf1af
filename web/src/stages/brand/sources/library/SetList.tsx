import { Button } from "@mantine/core";
import { type KeyboardEvent, useState } from "react";
import { refusalIn } from "../../../../api/client";
import { type ColorSet, removeSet, SET_FILES, shareSet, withdrawSet } from "../../../../api/sets";
import classes from "./Library.module.css";
import type { useTrying } from "./useTrying";

interface Props {
  sets: ColorSet[];
  /** Whether they are kept here. */
  mine: boolean;
  trying: ReturnType<typeof useTrying>;
  onHold: (set: ColorSet) => void;
  onOwner: (owner: string) => void;
  /** One of them is another now. */
  onChanged: () => void;
}

/** Sets, one a line: a click tries one on the theme, the arrow keys try the next. */
export function SetList({ sets, mine, trying, onHold, onOwner, onChanged }: Props) {
  const onKeyDown = (event: KeyboardEvent<HTMLElement>, index: number) => {
    const way = { ArrowUp: -1, ArrowDown: 1 }[event.key];
    const next = way && sets[index + way];
    if (!next) return;
    event.preventDefault();
    trying.put(next);
    const strips = event.currentTarget.closest("ul")?.querySelectorAll<HTMLElement>("[data-strip]");
    strips?.[index + way]?.focus();
  };
  return (
    <ul className={classes.sets} aria-label="Sets">
      {sets.map((set, i) => {
        const open = trying.trying?.id === set.id;
        return (
          <li key={set.id} data-open={open || undefined}>
            <button
              type="button"
              data-strip
              className={classes.strip}
              aria-pressed={open}
              aria-label={`Try ${set.name}: ${set.colors.map((c) => c.hex).join(", ")}`}
              title="Try it on the theme"
              onClick={() => trying.put(set)}
              onKeyDown={(e) => onKeyDown(e, i)}
            >
              {set.colors.map((c, n) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: a place in the set is what it is
                <i key={n} title={`${c.name} ${c.hex}`} style={{ background: c.hex }} />
              ))}
            </button>
            <span className={classes.told}>
              <b>{set.name}</b>
              {set.owner && (
                <button type="button" title={`Sets by ${set.owner}`} onClick={() => onOwner(set.owner)}>
                  {set.owner}
                </button>
              )}
              <small>
                {[...set.words, mine && set.shared ? "shared" : "", set.note].filter(Boolean).join(" · ")}
              </small>
            </span>
            {open && (
              <span className={classes.tools}>
                <Button size="compact-xs" onClick={() => void trying.keep()}>
                  Keep on the theme
                </Button>
                <Button size="compact-xs" variant="default" onClick={trying.back}>
                  Back
                </Button>
                <Button size="compact-xs" variant="default" onClick={() => onHold(set)}>
                  Hold in the tray
                </Button>
                {mine && <OwnTools set={set} onChanged={onChanged} onRemoved={trying.back} />}
              </span>
            )}
          </li>
        );
      })}
    </ul>
  );
}

interface OwnProps {
  set: ColorSet;
  onChanged: () => void;
  onRemoved: () => void;
}

/** What is done with a set that is kept here. */
function OwnTools({ set, onChanged, onRemoved }: OwnProps) {
  const [refusal, setRefusal] = useState<string>();
  const [sure, setSure] = useState(false);
  const attempt = async (done: () => Promise<unknown>) => {
    try {
      await done();
      setRefusal(undefined);
      onChanged();
    } catch (error) {
      setRefusal(refusalIn(error));
    }
  };
  return (
    <>
      {SET_FILES.map(({ format, name }) => (
        <a key={format} href={`/api/sets/${set.id}/file/${format}`} download>
          {name}
        </a>
      ))}
      <Button
        size="compact-xs"
        variant="default"
        onClick={() => void attempt(() => (set.shared ? withdrawSet(set.id) : shareSet(set.id)))}
      >
        {set.shared ? "Withdraw" : "Share"}
      </Button>
      <Button
        size="compact-xs"
        variant="default"
        onBlur={() => setSure(false)}
        onClick={() => {
          if (!sure) return setSure(true);
          onRemoved();
          void attempt(() => removeSet(set.id));
        }}
      >
        {sure ? "Forget for good" : "Forget …"}
      </Button>
      {refusal && (
        <span role="alert" className={classes.refusal}>
          {refusal}
        </span>
      )}
    </>
  );
}
