import { useQuery } from "@tanstack/react-query";
import { vocabularyQuery } from "../api/queries";
import { seeWith, useEyes } from "./eyes";
import head from "./ProofHead.module.css";
import classes from "./ProofPane.module.css";

/** Chooses whose eyes the work is seen with. */
export function EyesChoice() {
  const { eyes } = useEyes();
  const { data } = useQuery(vocabularyQuery);
  return (
    <select
      className={head.choice}
      data-chosen={eyes !== undefined}
      aria-label="Eyes"
      title="Whose eyes the work is seen with"
      value={eyes?.kind ?? ""}
      onChange={(e) =>
        seeWith(e.currentTarget.value ? { kind: e.currentTarget.value, tenths: 10 } : undefined)
      }
    >
      <option value="">own eyes</option>
      {data?.eyes.map((kind) => (
        <option key={kind.id} value={kind.id}>
          {kind.name}
        </option>
      ))}
    </select>
  );
}

/** Says whose eyes these are while they are not the usual ones, with one touch back. */
export function EyesBand() {
  const { eyes } = useEyes();
  const { data } = useQuery(vocabularyQuery);
  if (!eyes) return null;
  const name = data?.eyes.find((e) => e.id === eyes.kind)?.name;
  return (
    <div className={classes.eyes} role="status">
      <span>
        seen with <b>{name}</b>
      </span>
      <input
        type="range"
        aria-label="How much"
        min={1}
        max={10}
        value={eyes.tenths}
        onChange={(e) => seeWith({ ...eyes, tenths: Number(e.currentTarget.value) })}
      />
      <span>{eyes.tenths * 10} %</span>
      <button type="button" onClick={() => seeWith(undefined)}>
        back to my own
      </button>
    </div>
  );
}
