import type { PictureView } from "../../api/picture";
import type { Candidate } from "./tray";

/** The colours of a picture as candidates. */
export function candidatesOf(name: string, picture: PictureView): Omit<Candidate, "key">[] {
  return picture.colors.map(({ hex, name: look, x, y }) => ({
    name: look,
    color: hex,
    from: { kind: "picture", name, picture: picture.id, x, y },
  }));
}
