import type { MapLine } from "../../../api/exist";
import { Swatch } from "../../../ui/Swatch";
import { BecomesField } from "./BecomesField";
import classes from "./Existing.module.css";
import { Leave } from "./Leave";

interface Props {
  line: MapLine;
  chosen: string | null | undefined;
  list: string;
  error: string | undefined;
  onChange: (to: string | null | undefined) => void;
}

/** What a colour becomes: typed, a token's path, left, or given back. */
export function MapCell({ line, chosen, list, error, onChange }: Props) {
  return (
    <span className={classes.cell}>
      {line.new.length > 0 ? <Swatch colors={line.new} large /> : <span className={classes.stays} />}
      <BecomesField
        old={line.hex}
        chosen={chosen}
        placeholder={line.new.length > 0 ? line.new.join(", ") : "colour or token"}
        list={list}
        error={error}
        onChange={onChange}
      />
      <Leave isLeft={chosen === null} onChange={onChange} />
      {line.doubtful && chosen === undefined && <Choices line={line} onChoose={onChange} />}
      {error && (
        <small role="alert" className={classes.refusal}>
          {error}
        </small>
      )}
    </span>
  );
}

interface ChoicesProps {
  line: MapLine;
  onChoose: (to: string) => void;
}

/** What a doubtful colour could become, to choose from. */
function Choices({ line, onChoose }: ChoicesProps) {
  return (
    <fieldset className={classes.choices} aria-label={`Which does ${line.hex} become?`}>
      {line.choices.map(({ hex, tokens, to }) => (
        <button
          key={hex}
          type="button"
          title={tokens.join("\n")}
          aria-label={[hex, ...tokens].join(", ")}
          onClick={() => onChoose(to)}
        >
          <Swatch colors={[hex]} /> {tokens[0] ?? hex}
          {tokens.length > 1 && ` and ${tokens.length - 1} more`}
        </button>
      ))}
    </fieldset>
  );
}
