import { Tooltip } from "@mantine/core";
import { memo } from "react";
import classes from "./Hint.module.css";

interface Props {
  /** The word. */
  word: string;
  /** What it means, in a sentence. */
  help: string;
}

/** A word with its meaning, shown by pointer and by focus. */
function PlainHint({ word, help }: Props) {
  return (
    <Tooltip label={help} multiline w={260} withArrow events={{ hover: true, focus: true, touch: true }}>
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: what shows by pointer must show by keyboard */}
      <span className={classes.hint} tabIndex={0}>
        {word}
      </span>
    </Tooltip>
  );
}

export const Hint = memo(PlainHint);
