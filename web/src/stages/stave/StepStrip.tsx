import { Popover } from "@mantine/core";
import { useState } from "react";
import type { Scale, Step } from "../../api/client";
import { useWhole } from "../../lineage/useLineage";
import { CopyButton } from "../../ui/CopyButton";
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
  return (
    <ol className={classes.strip} aria-label={`Steps of ${scale.name}`}>
      {scale.steps.map((step) => (
        <Chip
          key={step.label}
          scale={scale}
          step={step}
          mode={mode}
          open={open === step.label}
          onOpen={(opens) => setOpen(opens ? step.label : undefined)}
        />
      ))}
    </ol>
  );
}

interface ChipProps extends Props {
  step: Step;
  open: boolean;
  onOpen: (opens: boolean) => void;
}

function Chip({ scale, step, mode, open, onOpen }: ChipProps) {
  const omitted = useWhole().scales?.[scale.slug]?.omit?.includes(step.label) ?? false;
  return (
    <li
      className={classes.chip}
      data-omitted={omitted || undefined}
      style={{ "--fill": step.hex, "--on": step.ink } as React.CSSProperties}
    >
      <Popover opened={open} onChange={onOpen} width={280} position="top" trapFocus returnFocus withinPortal>
        <Popover.Target>
          <button type="button" className={classes.chipColor} onClick={() => onOpen(!open)}>
            <span>
              <span className="visually-hidden">{scale.name} </span>
              {step.label}
              <span className="visually-hidden"> change or copy</span>
            </span>
            <small>{omitted ? "left out" : step.pinned ? "pinned" : ""}</small>
          </button>
        </Popover.Target>
        <Popover.Dropdown aria-label={`${scale.name} ${step.label}`}>
          {open && <StepCard scale={scale} step={step} onDone={() => onOpen(false)} />}
        </Popover.Dropdown>
      </Popover>
      <CopyButton text={step.hex} />
      <small title={`contrast against the page in ${mode} mode`}>{step.ratio[mode].toFixed(2)} : 1</small>
      <small title="lightness, CIE L*">L* {step.lightness.toFixed(1)}</small>
    </li>
  );
}
