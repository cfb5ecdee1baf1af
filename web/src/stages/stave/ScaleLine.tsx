import { useElementSize } from "@mantine/hooks";
import { useMemo } from "react";
import type { Scale } from "../../api/client";
import { Flags } from "./Flags";
import { layFlags, type RolesOnStep } from "./roles";
import classes from "./Stave.module.css";
import { StepMark } from "./StepMark";
import { useStepDrag } from "./useStepDrag";

interface Props {
  scale: Scale;
  intents: string[];
  roles: Map<string, RolesOnStep>;
  open: boolean;
  onOpen: () => void;
}

/** One scale as a line of the stave; the open one shows the roles that stand on its steps. */
export function ScaleLine({ scale, intents, roles, open, onOpen }: Props) {
  const { ref, width } = useElementSize();
  const bind = useStepDrag(scale, onOpen);
  const [above, below] = useMemo(() => {
    if (!open || width === 0) return [[], []];
    const at = (mode: "light" | "dark") =>
      layFlags(
        scale.steps.map((s) => ({
          x: ((100 - s.lightness) / 100) * width,
          roles: roles.get(s.path)?.[mode] ?? [],
          path: s.path,
        })),
        width,
      );
    return [at("light"), at("dark")];
  }, [open, width, scale.steps, roles]);
  return (
    <div className={classes.row} data-open={open || undefined}>
      <button type="button" className={classes.rowName} aria-expanded={open} onClick={onOpen}>
        <b>{scale.name}</b>
        <small>
          {intents.filter((i) => i !== scale.slug).join(", ") ||
            (scale.origin === "derived" ? "derived" : "own intent")}
        </small>
      </button>
      <div className={classes.track}>
        {open && <Flags scale={scale} flags={above} side="above" />}
        <div className={classes.line} ref={ref}>
          {scale.steps.map((step) => (
            <StepMark
              key={step.label}
              scale={scale}
              step={step}
              open={open}
              lightRoles={roles.get(step.path)?.light.length ?? 0}
              darkRoles={roles.get(step.path)?.dark.length ?? 0}
              handlers={bind(step)}
            />
          ))}
        </div>
        {open && <Flags scale={scale} flags={below} side="below" />}
      </div>
    </div>
  );
}
