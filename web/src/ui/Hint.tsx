import { memo, useId, useState } from "react";
import classes from "./Hint.module.css";
import { later } from "./later";

const Note = later(() => import("./HintNote").then((m) => m.HintNote));

interface Props {
  /** The word. */
  word: string;
  /** What it means, in a sentence. */
  help: string;
}

/** A word with its meaning, shown by pointer and by focus. */
function PlainHint({ word, help }: Props) {
  const [at, setAt] = useState<HTMLElement>();
  const id = useId();
  const leave = () => setAt(undefined);
  return (
    <>
      {/* biome-ignore lint/a11y/noStaticElementInteractions: it is told, not acted on */}
      <span
        className={classes.hint}
        // biome-ignore lint/a11y/noNoninteractiveTabindex: what shows by pointer must show by keyboard
        tabIndex={0}
        aria-describedby={at && id}
        onPointerEnter={(e) => setAt(e.currentTarget)}
        onPointerLeave={leave}
        onFocus={(e) => setAt(e.currentTarget)}
        onBlur={leave}
        onKeyDown={(e) => e.key === "Escape" && leave()}
      >
        {word}
      </span>
      {at && <Note id={id} at={at} help={help} />}
    </>
  );
}

export const Hint = memo(PlainHint);
