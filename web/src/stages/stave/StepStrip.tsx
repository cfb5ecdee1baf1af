import type { Scale, Step } from "../../api/client";
import { useEditor, useEditorState } from "../../editor/EditorProvider";
import { type Edit, omitStep, setPin, setStepLightness } from "../../editor/edits";
import { useWhole } from "../../lineage/useLineage";
import { CopyButton } from "../../ui/CopyButton";
import classes from "./Stave.module.css";

/** The steps of the open scale with their codes, to copy at a click, to pin and to leave out. */
export function StepStrip({ scale }: { scale: Scale }) {
  return (
    <ol className={classes.strip} aria-label={`Steps of ${scale.name}`}>
      {scale.steps.map((step) => (
        <Chip key={step.label} scale={scale} step={step} />
      ))}
    </ol>
  );
}

function Chip({ scale, step }: { scale: Scale; step: Step }) {
  const { commit } = useEditor();
  const settings = useWhole().scales?.[scale.slug] ?? {};
  const css = useEditorState((s) => s.preview?.derived.tokens.find((t) => t.path === step.path)?.css);
  const omitted = settings.omit?.includes(step.label) ?? false;
  const set = (edit: Edit, label: string) => void commit(edit, `${scale.name} ${step.label}: ${label}`);
  const release: Edit = (d) => setStepLightness(d, scale.slug, step.label, undefined);
  const pin: Edit = (d) => setPin(release(d), scale.slug, step.label, step.hex);
  const unpin: Edit = (d) => setPin(d, scale.slug, step.label, undefined);
  const leaveOut = () =>
    set(
      (d) => omitStep(d, scale.slug, step.label, !omitted),
      omitted ? "back in exports" : "left out of exports",
    );
  return (
    <li
      className={classes.chip}
      data-omitted={omitted || undefined}
      style={{ "--fill": step.hex, "--on": step.ink } as React.CSSProperties}
    >
      <span className={classes.chipColor}>
        {step.label}
        {step.pinned && <span className={classes.chipPin}>pinned</span>}
      </span>
      <CopyButton text={step.hex} />
      <CopyButton text={css ?? step.path} label={`Copy the name ${css ?? step.path}`}>
        name
      </CopyButton>
      {settings.lightness?.[step.label] !== undefined && (
        <button
          type="button"
          className={classes.release}
          onClick={() => set(release, "lightness back to derived")}
        >
          reset
        </button>
      )}
      <span className={classes.chipTools}>
        {settings.pins?.[step.label] !== undefined ? (
          <button type="button" className={classes.release} onClick={() => set(unpin, "unpinned")}>
            unpin
          </button>
        ) : (
          !step.pinned && (
            <button
              type="button"
              className={classes.chipAction}
              aria-label={`Pin ${scale.name} ${step.label}`}
              onClick={() => set(pin, `pinned at ${step.hex}`)}
            >
              pin
            </button>
          )
        )}
        <button
          type="button"
          className={classes.chipAction}
          aria-pressed={!omitted}
          aria-label={`${scale.name} ${step.label} in exports`}
          title={omitted ? "left out of exports: take it back in" : "in exports: leave it out"}
          data-word={omitted ? "out" : "in"}
          onClick={leaveOut}
        >
          {omitted ? "out" : "in"}
        </button>
      </span>
    </li>
  );
}
