import type { Scale } from "../../api/client";

/** What of a scale does not change while something of it is dragged. */
export type Still = Pick<Scale, "slug" | "name" | "origin" | "method"> & { hasZero: boolean };

export const still = ({ slug, name, origin, method, steps }: Scale): Still => ({
  slug,
  name,
  origin,
  method,
  hasZero: steps[0]?.label === "0",
});
