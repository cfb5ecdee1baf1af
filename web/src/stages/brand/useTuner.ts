import { useQuery } from "@tanstack/react-query";
import { useMemo, useState } from "react";
import { answer, api, type components } from "../../api/client";
import { useEditor, useEditorState } from "../../editor/EditorProvider";
import { type Edit, setBrand } from "../../editor/edits";
import { tokensOf } from "../../editor/selectors";
import { useMoves } from "../../editor/useMoves";
import type { ShownColor } from "../../lineage/useLineage";
import { useSavedColor } from "../../lineage/useLineage";

export type TunerView = components["schemas"]["TunerView"];
export type Place = TunerView["at"];

/**
 * One colour on its way along lightness, strength and hue. Every move is shown, the end of the
 * movement is one revision. What the colour becomes, the core says.
 */
export function useTuner(slug: string, color: ShownColor) {
  const editor = useEditor();
  const page = useEditorState(tokensOf)?.find((t) => t.path === "surface.base");
  const pages = useMemo(() => (page ? [page.light.value, page.dark?.value ?? page.light.value] : []), [page]);
  const saved = useSavedColor(slug) ?? color.color;
  const [moved, setMoved] = useState<TunerView>();
  // What was reached by moving keeps its place: a grey would forget its hue.
  const stands = moved?.hex === color.color;
  const { data } = useQuery({
    queryKey: ["tuner", color.color, pages],
    queryFn: () => answer(api.POST("/api/tuner", { body: { color: color.color, pages } })),
    enabled: !stands,
    placeholderData: (before) => before,
  });
  const view = stands ? moved : data;
  const moves = useMoves<Place, TunerView>({
    ask: (at) => answer(api.POST("/api/tuner", { body: { at, pages } })),
    onMove: (found) => {
      const edit: Edit = (d) => setBrand(d, color, { color: found.hex });
      editor.dragTo(edit, { drawn: () => setMoved(found) });
    },
    onEnd: ({ hex }) => {
      if (hex === saved.toLowerCase()) return editor.discard();
      const label = `${color.name}: ${saved} → ${hex}`;
      void editor.commit((d) => setBrand(d, color, { color: hex, from: undefined }), label);
    },
  });
  /** Where it stands, or is asked to stand, with one value changed. */
  const place = (to: Partial<Place>): Place | undefined => {
    const from = moves.at ?? view?.at;
    return from && { ...from, ...to };
  };
  const go = (how: "move" | "step") => (to: Partial<Place>) => {
    const at = place(to);
    if (at) moves[how](at);
  };
  return { view, place: () => place({}), move: go("move"), step: go("step"), end: () => moves.end() };
}
