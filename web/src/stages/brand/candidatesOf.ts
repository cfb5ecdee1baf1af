import type { PictureView } from "../../api/picture";
import type { Candidate } from "./tray";

/** Some colours of a picture as candidates, in the order of their codes. */
export function takenOf(name: string, picture: PictureView, codes: string[]) {
  const all = candidatesOf(name, picture);
  return codes.flatMap((code) => all.find(({ color }) => color === code) ?? []);
}

/** The colours of a picture as candidates. */
export function candidatesOf(name: string, picture: PictureView): Omit<Candidate, "key">[] {
  return picture.colors.map(({ hex, name: look, x, y }) => ({
    name: look,
    color: hex,
    from: { kind: "picture", name, picture: picture.id, x, y },
  }));
}
