import type { ThemeDocument } from "../../../../api/client";
import type { ColorSet } from "../../../../api/sets";
import { setBrand } from "../../../../editor/edits";
import type { ShownColor } from "../../../../lineage/useLineage";
import type { Candidate, Provenance } from "../../tray";

const from = (set: ColorSet): Provenance => ({
  kind: "set",
  name: set.name,
  ...(set.owner && { owner: set.owner }),
});

/** The theme with the colours of a set in the places of its own, in order; what goes beyond stays out. */
export function tried(document: ThemeDocument, brand: ShownColor[], set: ColorSet): ThemeDocument {
  return brand.reduce((changed, one, i) => {
    const color = set.colors[i];
    return color ? setBrand(changed, one, { color: color.hex, from: from(set) }) : changed;
  }, document);
}

/** Colours of a set as candidates, from a place in it on. */
export const candidatesOfSet = (set: ColorSet, first = 0): Omit<Candidate, "key">[] =>
  set.colors.slice(first).map(({ name, hex }) => ({ name, color: hex, from: from(set) }));
