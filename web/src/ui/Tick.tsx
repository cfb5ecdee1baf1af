import type { InputHTMLAttributes, ReactNode } from "react";
import classes from "./Tick.module.css";

interface Props extends Omit<InputHTMLAttributes<HTMLInputElement>, "type" | "onChange"> {
  label?: ReactNode;
  /** Boxed like a tag, for one of several that stand in a row. */
  tag?: boolean;
  onTick: (on: boolean) => void;
}

/** Something that is on or off: the system's own box, with its words. */
export function Tick({ label, tag = false, title, onTick, ...input }: Props) {
  return (
    <label className={tag ? classes.tag : classes.tick} title={title}>
      <input type="checkbox" {...input} onChange={(e) => onTick(e.currentTarget.checked)} />
      {label !== undefined && <span>{label}</span>}
    </label>
  );
}

/** What is ticked, with one more or one less; what comes last was ticked last. */
export const withTick = (ticked: string[], one: string, on: boolean) =>
  on ? [...ticked.filter((other) => other !== one), one] : ticked.filter((other) => other !== one);
