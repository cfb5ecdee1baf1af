import classes from "./Swatch.module.css";

interface Props {
  /** Any CSS colour; more than one stand side by side. */
  colors: (string | undefined)[];
  large?: boolean;
}

/** A small piece of a colour, beside whatever tells it. */
export function Swatch({ colors, large }: Props) {
  const shown = colors.filter((c): c is string => c !== undefined);
  if (shown.length === 0) return null;
  return (
    <span className={classes.swatch} data-large={large || undefined} aria-hidden="true">
      {shown.map((color, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a place in the row is what it is
        <span key={i} style={{ background: color }} />
      ))}
    </span>
  );
}

/** Whether a value is told as a colour. */
export const isColor = (value: string | null | undefined): value is string =>
  value !== null && value !== undefined && CSS.supports("color", value);
