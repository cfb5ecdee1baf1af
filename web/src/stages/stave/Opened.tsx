import type { Scale } from "../../api/client";
import { useSame } from "../../ui/useSame";
import type { Mode } from "./roles";
import { ScaleControls } from "./ScaleControls";
import classes from "./Stave.module.css";
import { StepSettings } from "./StepSettings";
import { StepStrip } from "./StepStrip";
import { StrengthCurve } from "./StrengthCurve";
import { still } from "./still";

interface Props {
  scale: Scale;
  /** Against the page of which mode the steps are measured. */
  mode: Mode;
}

/** The open scale below the lines: its steps, its settings, its strength. */
export function Opened({ scale, mode }: Props) {
  // The fields are drawn anew only where they say something else, not with every move of a step.
  const fields = useSame(still(scale));
  return (
    <section className={classes.opened} aria-label={`${scale.name}, opened`}>
      <StepStrip scale={scale} mode={mode} />
      <div className={classes.tune}>
        <ScaleControls scale={fields} />
        <StepSettings key={scale.slug} scale={fields} />
        <StrengthCurve scale={scale} />
      </div>
    </section>
  );
}
