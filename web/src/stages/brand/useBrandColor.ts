import { useRef } from "react";
import { useEditor } from "../../editor/EditorProvider";
import { setBrand } from "../../editor/edits";
import type { ShownColor } from "../../lineage/useLineage";
import { useSavedColor } from "../../lineage/useLineage";
import { useTypedColor } from "./useTypedColor";

/** The field of a colour: shown while it is typed, saved when it is left, confirmed, or after a pause. */
export function useBrandColor(slug: string, color: ShownColor) {
  const editor = useEditor();
  const saved = useSavedColor(slug) ?? color.color;
  const pending = useRef<string>(undefined);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const save = () => {
    clearTimeout(timer.current);
    const next = pending.current;
    pending.current = undefined;
    if (next && next !== saved) {
      const label = `${color.name}: ${saved} → ${next}`;
      // What is typed came from nowhere else.
      void editor.commit((d) => setBrand(d, color, { color: next, from: undefined }), label);
    }
  };
  const saveLatest = useRef(save);
  saveLatest.current = save;
  // What is tried elsewhere, by the tuner or a set, shows here too; what is typed here stays.
  const typed = useTypedColor(pending.current === undefined ? color.color : saved, (seen) => {
    pending.current = seen.css;
    editor.draft((d) => setBrand(d, color, { color: seen.css }));
    // A pause in typing, or a picker that stays open, saves as well as leaving the field.
    clearTimeout(timer.current);
    timer.current = setTimeout(() => saveLatest.current(), 1200);
  });
  const leave = () => {
    if (!typed.refusal) return save();
    pending.current = undefined;
    clearTimeout(timer.current);
    editor.discard();
  };
  return { ...typed, save, leave };
}
