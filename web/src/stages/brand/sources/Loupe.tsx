import classes from "./PictureSource.module.css";
import type { Under } from "./useSpots";

/** How many px of the loupe one px of the picture takes, and its side. */
const ZOOM = 8;
const SIDE = 104;

interface Size {
  width: number;
  height: number;
}

interface Props {
  picture: string;
  /** The picture as it is kept, and as it is shown. */
  natural: Size;
  shown: Size;
  under: Under;
}

/** The pixels around a place, and the colour that would be picked. */
export function Loupe({ picture, natural, shown, under }: Props) {
  const middle = SIDE / 2;
  const left = under.x * shown.width;
  const top = under.y * shown.height;
  return (
    <div
      className={classes.loupe}
      aria-hidden="true"
      style={{
        left: left + (left > shown.width / 2 ? -SIDE - 18 : 18),
        top: Math.max(0, Math.min(top - middle, shown.height - SIDE - 20)),
      }}
    >
      <span
        style={{
          width: SIDE,
          height: SIDE,
          backgroundImage: `url(/api/pictures/${picture})`,
          backgroundSize: `${natural.width * ZOOM}px ${natural.height * ZOOM}px`,
          backgroundPosition: `${middle - under.x * natural.width * ZOOM}px ${middle - under.y * natural.height * ZOOM}px`,
        }}
      />
      <small>
        <i style={{ background: under.color ?? "transparent" }} /> {under.color ?? "nothing here"}
      </small>
    </div>
  );
}
