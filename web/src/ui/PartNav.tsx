import classes from "./PartNav.module.css";

interface Props<Id extends string> {
  /** What the parts are parts of. */
  label: string;
  parts: readonly { id: Id; name: string }[];
  chosen: Id;
  onChoose: (id: Id) => void;
}

/** Parts of a stage, one of them in sight. */
export function PartNav<Id extends string>({ label, parts, chosen, onChoose }: Props<Id>) {
  return (
    <nav className={classes.parts} aria-label={label}>
      {parts.map(({ id, name }) => (
        <button key={id} type="button" aria-pressed={id === chosen} onClick={() => onChoose(id)}>
          {name}
        </button>
      ))}
    </nav>
  );
}
