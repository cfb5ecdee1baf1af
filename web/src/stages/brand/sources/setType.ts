import type { ThemeDocument } from "../../../api/client";
import type { Edit } from "../../../editor/edits";

type TypeSettings = NonNullable<ThemeDocument["type"]>;

/** Changes faces, sizes or weights. */
export const setType =
  (change: TypeSettings): Edit =>
  (d) => ({ ...d, type: { ...d.type, ...change } });
