import type { Scale, Spec, Step } from "../../api/client";
import { useTheEditor } from "../../editor/EditorContext";
import { type Edit, omitStep, setPin, setStepLightness } from "../../editor/edits";
import { CopyButton } from "../../shell/CopyButton";
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
  const { theme, preview, commit } = useTheEditor();
  const settings = theme.spec.scales?.[scale.slug] ?? {};
  const omitted = settings.omit?.includes(step.label) ?? false;
  const css = preview?.derived.tokens.find((t) => t.path === step.path)?.css ?? step.path;
  const set = (edit: Edit, label: string) => void commit(edit, `${scale.name} ${step.label}: ${label}`);
  const release = (s: Spec) => setStepLightness(s, scale.slug, step.label, undefined);
  const pin = (s: Spec) => setPin(release(s), scale.slug, step.label, step.hex);
  const unpin = (s: Spec) => setPin(s, scale.slug, step.label, undefined);
  const leaveOut = () =>
    set(
      (s) => omitStep(s, scale.slug, step.label, !omitted),
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
      <CopyButton text={css} label={`Copy the name ${css}`}>
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
          aria-pressed={omitted}
          title={`${scale.name} ${step.label} in exports`}
          onClick={leaveOut}
        >
          {omitted ? "out" : "in"}
        </button>
      </span>
    </li>
  );
}
