import { memo, useCallback, useRef, useState } from "react";
import type { Scale, Step } from "../../api/client";
import { usePart } from "../../lineage/useLineage";
import { CopyButton } from "../../ui/CopyButton";
import { opens, Panel } from "../../ui/Panel";
import { useList } from "../../ui/useList";
import type { Mode } from "./roles";
import classes from "./Stave.module.css";
import { StepCard } from "./StepCard";

interface Props {
  scale: Scale;
  /** Against the page of which mode the steps are measured. */
  mode: Mode;
}

/** The steps of the open scale with what each is; a step opens with all that can be done with it. */
export function StepStrip({ scale, mode }: Props) {
  const [open, setOpen] = useState<string>();
  const omitted = usePart((d) => d.scales?.[scale.slug]?.omit) ?? NONE;
  const toggle = useCallback((label: string, opens: boolean) => setOpen(opens ? label : undefined), []);
  const list = useList<HTMLOListElement>({ each: "li", across: true });
  return (
    <ol className={classes.strip} aria-label={`Steps of ${scale.name}`} {...list}>
      {scale.steps.map((step) => (
        <Chip
          key={step.label}
          name={scale.name}
          step={step}
          mode={mode}
          omitted={omitted.includes(step.label)}
          opened={open === step.label ? scale : undefined}
          onOpen={toggle}
        />
      ))}
    </ol>
  );
}

const NONE: string[] = [];

interface ChipProps {
  /** Name of its scale. */
  name: string;
  step: Step;
  mode: Mode;
  omitted: boolean;
  /** Its scale, while it is open. */
  opened: Scale | undefined;
  onOpen: (label: string, opens: boolean) => void;
}

/** Drawn anew only when its own step moves. */
const Chip = memo(function Chip({ name, step, mode, omitted, opened, onOpen }: ChipProps) {
  const button = useRef<HTMLButtonElement>(null);
  const close = () => onOpen(step.label, false);
  return (
    <li
      className={classes.chip}
      data-omitted={omitted || undefined}
      style={{ "--fill": step.hex, "--on": step.ink } as React.CSSProperties}
    >
      <button
        ref={button}
        type="button"
        className={classes.chipColor}
        onClick={() => onOpen(step.label, !opened)}
        {...opens(opened !== undefined)}
      >
        <span>
          <span className="visually-hidden">{name} </span>
          {step.label}
          <span className="visually-hidden"> change or copy</span>
        </span>
        <small>{omitted ? "left out" : step.pinned ? "pinned" : ""}</small>
      </button>
      {opened && (
        <Panel at={button.current} label={`${name} ${step.label}`} width={280} position="top" onClose={close}>
          <StepCard scale={opened} step={step} onDone={close} />
        </Panel>
      )}
      <CopyButton text={step.hex} />
      <small title={`contrast against the page in ${mode} mode`}>{step.ratio[mode].toFixed(2)} : 1</small>
      <small title="lightness, CIE L*">L* {step.lightness.toFixed(1)}</small>
    </li>
  );
});
