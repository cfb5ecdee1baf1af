import { useElementSize } from "@mantine/hooks";
import { memo, useMemo } from "react";
import type { Scale } from "../../api/client";
import { usePart } from "../../lineage/useLineage";
import { landing } from "../../ui/arrive";
import { useSame } from "../../ui/useSame";
import { Flags } from "./Flags";
import { type Flag, layFlags, type RolesOnStep } from "./roles";
import classes from "./Stave.module.css";
import { StepMark } from "./StepMark";
import { toggleTogether, useIsChosen } from "./together";
import { useStepDrag } from "./useStepDrag";

interface Props {
  scale: Scale;
  /** Names of the intents that stand on it, but one of its own that nobody else has. */
  intents: string;
  roles: Record<string, RolesOnStep>;
  open: boolean;
  onOpen: (slug: string) => void;
}

/** One scale as a line of the stave; the open one shows the roles that stand on its steps. */
function PlainScaleLine({ scale, intents, roles, open, onOpen }: Props) {
  const { ref, width } = useElementSize();
  const chosen = useIsChosen(scale.slug);
  const omitted = usePart((d) => d.scales?.[scale.slug]?.omit);
  const openThis = () => onOpen(scale.slug);
  const bind = useStepDrag(scale, openThis);
  const laid = useMemo((): [Flag[], Flag[]] => {
    if (!open || width === 0) return [[], []];
    const at = (mode: "light" | "dark") =>
      layFlags(
        scale.steps.map((s) => ({
          x: ((100 - s.lightness) / 100) * width,
          roles: roles[s.path]?.[mode] ?? [],
          path: s.path,
        })),
        width,
      );
    return [at("light"), at("dark")];
  }, [open, width, scale.steps, roles]);
  // A flag that stays where it is is not drawn anew.
  const [above, below] = useSame(laid);
  return (
    <div className={classes.row} data-open={open || undefined} data-chosen={chosen || undefined}>
      <div className={classes.rowHead} data-head>
        <button
          type="button"
          className={classes.rowName}
          {...landing("scale", scale.slug)}
          aria-expanded={open}
          title="Ctrl click: choose it, to move several scales together"
          onClick={(e) => (e.ctrlKey || e.metaKey ? toggleTogether(scale.slug) : openThis())}
        >
          <b>{scale.name}</b>
          <small>{intents || (scale.origin === "derived" ? "derived" : "own intent")}</small>
        </button>
        <input
          type="checkbox"
          className={classes.choose}
          aria-label={`Move ${scale.name} together with others`}
          title="Move it together with others"
          checked={chosen}
          onChange={() => toggleTogether(scale.slug)}
        />
      </div>
      <div className={classes.track}>
        {open && <Flags scale={scale} flags={above} side="above" />}
        <div className={classes.line} ref={ref}>
          {scale.steps.map((step) => (
            <StepMark
              key={step.label}
              scale={scale}
              step={step}
              open={open}
              omitted={omitted?.includes(step.label) ?? false}
              lightRoles={roles[step.path]?.light.length ?? 0}
              darkRoles={roles[step.path]?.dark.length ?? 0}
              handlers={bind(step)}
            />
          ))}
        </div>
        {open && <Flags scale={scale} flags={below} side="below" />}
      </div>
    </div>
  );
}

/** Drawn anew only when its own scale or the roles upon it change. */
export const ScaleLine = memo(PlainScaleLine);
