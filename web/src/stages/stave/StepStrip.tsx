import type { Scale, Step } from "../../api/client";
import { useTheEditor } from "../../editor/EditorContext";
import { setScale } from "../../editor/edits";
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
  const { theme, spec, preview, commit } = useTheEditor();
  const settings = theme.spec.scales?.[scale.slug] ?? {};
  const { [step.label]: ownLightness, ...lightness } = settings.lightness ?? {};
  const { [step.label]: ownPin, ...pins } = settings.pins ?? {};
  const omitted = settings.omit?.includes(step.label) ?? false;
  const css = preview?.derived.tokens.find((t) => t.path === step.path)?.css ?? step.path;
  const set = (change: typeof settings, label: string) =>
    void commit(setScale(spec, scale.slug, change), `${scale.name} ${step.label}: ${label}`);
  const leaveOut = () => {
    const omit = (settings.omit ?? []).filter((l) => l !== step.label);
    set(
      { omit: omitted ? omit : [...omit, step.label] },
      omitted ? "back in exports" : "left out of exports",
    );
  };
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
      {ownLightness !== undefined && (
        <button
          type="button"
          className={classes.release}
          onClick={() => set({ lightness }, "lightness back to derived")}
        >
          reset
        </button>
      )}
      <span className={classes.chipTools}>
        {ownPin !== undefined ? (
          <button type="button" className={classes.release} onClick={() => set({ pins }, "unpinned")}>
            unpin
          </button>
        ) : (
          !step.pinned && (
            <button
              type="button"
              className={classes.chipAction}
              aria-label={`Pin ${scale.name} ${step.label}`}
              onClick={() =>
                set({ lightness, pins: { ...pins, [step.label]: step.hex } }, `pinned at ${step.hex}`)
              }
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
