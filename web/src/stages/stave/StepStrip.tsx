import type { Scale } from "../../api/client";
import { useTheEditor } from "../../editor/EditorContext";
import { setScale } from "../../editor/edits";
import { CopyButton } from "../../shell/CopyButton";
import classes from "./Stave.module.css";

/** The steps of the open scale with their codes, to copy at a click. */
export function StepStrip({ scale }: { scale: Scale }) {
  const { theme, spec, preview, commit } = useTheEditor();
  const set = theme.spec.scales?.[scale.slug]?.lightness ?? {};
  const css = (path: string) => preview?.derived.tokens.find((t) => t.path === path)?.css ?? path;
  const release = (label: string) => {
    const { [label]: _, ...lightness } = set;
    void commit(
      setScale(spec, scale.slug, { lightness }),
      `${scale.name} ${label}: lightness back to derived`,
    );
  };
  return (
    <ol className={classes.strip} aria-label={`Steps of ${scale.name}`}>
      {scale.steps.map((step) => (
        <li
          key={step.label}
          className={classes.chip}
          style={{ "--fill": step.hex, "--on": step.ink } as React.CSSProperties}
        >
          <span className={classes.chipColor}>
            {step.label}
            {step.pinned && <span className={classes.chipPin}>pinned</span>}
          </span>
          <CopyButton text={step.hex} />
          <CopyButton text={css(step.path)} label={`Copy the name ${css(step.path)}`}>
            name
          </CopyButton>
          {set[step.label] !== undefined && (
            <button type="button" className={classes.release} onClick={() => release(step.label)}>
              reset
            </button>
          )}
        </li>
      ))}
    </ol>
  );
}
