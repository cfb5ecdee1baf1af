import { NativeSelect } from "@mantine/core";
import type { Scale } from "../../api/client";
import type { Mode } from "./roles";
import classes from "./Stave.module.css";
import { useRoleMove } from "./useRoleMove";

interface Props {
  scale: Scale;
  roles: string[];
  mode: Mode;
  /** Path of the step on which they stand. */
  step: string;
  onDone: () => void;
}

/** The roles on one step, each with the step it stands on, to choose another. */
export function RolePlaces({ scale, roles, mode, step, onDone }: Props) {
  const move = useRoleMove(mode);
  return (
    <ul className={classes.places} aria-label={`Roles on ${step}, ${mode}`}>
      {roles.map((role) => (
        <li key={role}>
          <span>{role}</span>
          <small>{move.ratio(role)}</small>
          <NativeSelect
            size="xs"
            aria-label={`Step of ${role}, ${mode}`}
            data={[
              ...scale.steps.map((s) => ({ value: s.path, label: s.label })),
              ...(move.isSet(role) ? [{ value: "", label: "derived" }] : []),
            ]}
            value={step}
            onChange={(e) => {
              move.save(role, e.currentTarget.value || undefined);
              onDone();
            }}
          />
        </li>
      ))}
    </ul>
  );
}
