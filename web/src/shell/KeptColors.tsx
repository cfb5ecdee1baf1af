import { Swatch } from "../ui/Swatch";
import { Tick } from "../ui/Tick";
import classes from "./PictureColors.module.css";

interface Props {
  drawn: { name: string; hex: string; kept: boolean }[];
  onKeep: (hex: string, kept: boolean) => void;
}

/** Which of the drawn colours stay while the others are drawn again. */
export function KeptColors({ drawn, onKeep }: Props) {
  return (
    <fieldset className={classes.kept} aria-label="Kept while the others are drawn again">
      <span>Keep</span>
      {drawn.map(({ name, hex, kept }) => (
        <Tick
          key={hex}
          tag
          checked={kept}
          onTick={(on) => onKeep(hex, on)}
          label={
            <>
              <Swatch colors={[hex]} /> {name}
            </>
          }
        />
      ))}
    </fieldset>
  );
}
