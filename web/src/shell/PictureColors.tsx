import { Chip } from "@mantine/core";
import type { PictureView } from "../api/picture";
import { Swatch } from "../ui/Swatch";
import classes from "./PictureDialog.module.css";

interface Props {
  colors: PictureView["colors"];
  /** Codes of those that are taken, in the order in which they become the brand. */
  taken: string[];
  onTake: (codes: string[]) => void;
}

/** The colours of a picture, to tick: the one that is ticked first is the primary colour. */
export function PictureColors({ colors, taken, onTake }: Props) {
  return (
    <Chip.Group multiple value={taken} onChange={onTake}>
      <ol aria-label="Colours of the picture">
        {colors.map(({ hex, name }) => (
          <li key={hex}>
            <Chip value={hex} size="xs" variant="outline">
              <Swatch colors={[hex]} /> {name} <code>{hex}</code>
            </Chip>
            {hex === taken[0] && <span>primary</span>}
          </li>
        ))}
      </ol>
      <p className={classes.order}>
        {taken.length > 0
          ? "In the order in which they are ticked, the first as the primary colour."
          : "Tick the colours that the theme begins with."}
      </p>
    </Chip.Group>
  );
}
