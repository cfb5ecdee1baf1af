import { type ComponentProps, memo } from "react";
import type { Scale, Step } from "../../api/client";
import classes from "./Stave.module.css";

interface Props {
  scale: Scale;
  step: Step;
  open: boolean;
  /** Whether exports leave it out. */
  omitted: boolean;
  lightRoles: number;
  darkRoles: number;
  handlers: ComponentProps<"div">;
}

/** A step on its line, at its measured lightness. */
function PlainStepMark({ scale, step, open, omitted, lightRoles, darkRoles, handlers }: Props) {
  const left = omitted ? "left out of exports" : "";
  return (
    <div
      className={classes.step}
      role="slider"
      tabIndex={open ? 0 : -1}
      aria-label={`${scale.name} ${step.label}, lightness`}
      aria-valuemin={0}
      aria-valuemax={100}
      aria-valuenow={Math.round(step.lightness * 10) / 10}
      aria-valuetext={`${step.lightness.toFixed(1)}, ${step.hex}${step.pinned ? ", pinned" : ""}${left && `, ${left}`}`}
      aria-disabled={step.pinned}
      data-pinned={step.pinned || undefined}
      data-omitted={omitted || undefined}
      data-light={lightRoles > 0 || undefined}
      data-dark={darkRoles > 0 || undefined}
      title={`${step.path}  ${step.hex}  L* ${step.lightness.toFixed(1)}${left && `\n${left}`}`}
      style={{ "--l": step.lightness, "--fill": step.hex, "--on": step.ink } as React.CSSProperties}
      {...handlers}
    >
      {open && <span className={classes.stepLabel}>{step.label}</span>}
      {step.pinned && <span className={classes.pin} aria-hidden="true" />}
    </div>
  );
}

export const StepMark = memo(PlainStepMark);
