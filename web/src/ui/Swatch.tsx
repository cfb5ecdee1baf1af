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

/** Words that browsers take for a colour and that have no code: CSS Color 4, 6.2 and Appendix A, and what every property takes. */
const WITHOUT_CODE = new Set(
  (
    "accentcolor accentcolortext activetext buttonborder buttonface buttontext canvas canvastext field fieldtext " +
    "graytext highlight highlighttext linktext mark marktext selecteditem selecteditemtext visitedtext " +
    "activeborder activecaption appworkspace background buttonhighlight buttonshadow captiontext inactiveborder " +
    "inactivecaption inactivecaptiontext infobackground infotext menu menutext scrollbar threeddarkshadow threedface " +
    "threedhighlight threedlightshadow threedshadow window windowframe windowtext " +
    "currentcolor inherit initial unset revert revert-layer"
  ).split(" "),
);

/** Whether a value is told as a colour. */
export const isColor = (value: string | null | undefined): value is string =>
  value !== null &&
  value !== undefined &&
  !WITHOUT_CODE.has(value.trim().toLowerCase()) &&
  CSS.supports("color", value);
