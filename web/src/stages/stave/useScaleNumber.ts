import { useQuery } from "@tanstack/react-query";
import type { NumberField, Scale } from "../../api/client";
import { vocabularyQuery } from "../../api/queries";
import { useEditor, useEditorState } from "../../editor/EditorProvider";
import { setScale } from "../../editor/edits";
import { useSavedWhole } from "../../lineage/useLineage";
import { along, forAll, toldOf } from "./together";

/** How a number is shown: strength in percent, a turn in degrees. */
const SHOWN = { strength: { factor: 100, unit: "%" }, turn: { factor: 1, unit: "°" } } as const;

export type ScaleNumber = keyof typeof SHOWN;

interface Held {
  /** Its title, help and bounds. */
  field: NumberField;
  saved: number;
  /** As it is while something moves. */
  value: number;
  /** The value as people read it. */
  shown: string;
  show: (to: number) => void;
  save: (to: number) => void;
  /** Back to what is saved. */
  drop: () => void;
}

/** A number of a scale: shown while it is moved, saved as one revision where the movement ends. */
export function useScaleNumber(scale: Pick<Scale, "slug" | "name">, name: ScaleNumber): Held | undefined {
  const { draft, commit, discard } = useEditor();
  const { data } = useQuery(vocabularyQuery);
  const field = data?.numbers.find((n) => n.part === "scale" && n.key === name);
  const decided = useSavedWhole().scales?.[scale.slug]?.[name];
  const drafted = useEditorState((s) => s.document.scales?.[scale.slug]?.[name]);
  if (!field) return undefined;
  const saved = decided ?? field.default;
  const value = drafted ?? saved;
  const { factor, unit } = SHOWN[name];
  const shown = (n: number) => Math.round(n * factor);
  const setTo = (to: number) => forAll(scale.slug, (d, slug) => setScale(d, slug, { [name]: to }));
  return {
    field,
    saved,
    value,
    shown: `${shown(value)} ${unit}`,
    show: (to) => draft(setTo(to)),
    save: (to) => {
      if (to === saved && along(scale.slug).length === 1) return discard();
      const words = `${shown(saved)} → ${shown(to)} ${unit}`;
      void commit(setTo(to), `${toldOf(scale)}: ${field.title.toLowerCase()} ${words}`);
    },
    drop: discard,
  };
}
