import { useClipboard } from "@mantine/hooks";
import type { ReactNode } from "react";
import classes from "./CopyButton.module.css";

interface Props {
  text: string;
  label?: string;
  children?: ReactNode;
}

/** Copies at a click, and says so quietly in its own place. */
export function CopyButton({ text, label, children }: Props) {
  const { copied, copy } = useClipboard({ timeout: 900 });
  return (
    <button
      type="button"
      className={classes.copy}
      data-copied={copied || undefined}
      title={`Copy ${text}`}
      aria-label={label}
      onClick={() => copy(text)}
    >
      <span className={classes.text}>{children ?? text}</span>
      <span className={classes.done} role="status">
        {copied ? "copied" : ""}
      </span>
    </button>
  );
}
