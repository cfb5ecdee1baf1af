import { useQuery } from "@tanstack/react-query";
import { type PointerEvent, useRef, useState } from "react";
import type { Scale, Step } from "../../api/client";
import { vocabularyQuery } from "../../api/queries";
import { useEditor } from "../../editor/EditorProvider";
import { type Edit, setScale } from "../../editor/edits";
import { useSavedWhole } from "../../lineage/useLineage";

/** A drag of a point of the strength curve. */
interface Drag {
  /** Chroma and strength where it began. */
  chroma: number;
  strength: number;
  /** Chroma at the top of the plot. */
  top: number;
  to: number;
}

/** Making a scale stronger or softer by one of its points: shown on the way, saved at the end. */
export function useStrengthDrag(scale: Scale) {
  const { draft, commit, discard } = useEditor();
  const { data } = useQuery(vocabularyQuery);
  const field = data?.numbers.find((n) => n.part === "scale" && n.key === "strength");
  const saved = useSavedWhole().scales?.[scale.slug]?.strength ?? field?.default ?? 1;
  const drag = useRef<Drag>(undefined);
  // The curve as it was when the drag began.
  const [ghost, setGhost] = useState<Scale["steps"]>();
  const setTo =
    (strength: number): Edit =>
    (d) =>
      setScale(d, scale.slug, { strength });
  const stop = () => {
    const done = drag.current;
    drag.current = undefined;
    setGhost(undefined);
    return done;
  };
  const bind = (step: Step, top: number) => ({
    onPointerDown: (event: PointerEvent<HTMLElement>) => {
      if (event.button !== 0 || step.chroma === 0) return;
      event.currentTarget.setPointerCapture(event.pointerId);
      drag.current = { chroma: step.chroma, strength: saved, top, to: saved };
      setGhost(scale.steps);
    },
    onPointerMove: (event: PointerEvent<HTMLElement>) => {
      const state = drag.current;
      const plot = event.currentTarget.parentElement?.getBoundingClientRect();
      if (!state || !plot || !field) return;
      const chroma = (1 - (event.clientY - plot.top) / plot.height) * state.top;
      const wanted = Math.min(field.high, Math.max(field.low, (state.strength * chroma) / state.chroma));
      const to = Math.round(wanted / field.step) * field.step;
      if (to === state.to) return;
      state.to = to;
      draft(setTo(to));
    },
    onPointerUp: () => {
      const done = stop();
      if (!done || done.to === done.strength) return discard();
      const shown = (n: number) => Math.round(n * 100);
      void commit(setTo(done.to), `${scale.name}: strength ${shown(done.strength)} → ${shown(done.to)} %`);
    },
    onPointerCancel: () => {
      stop();
      discard();
    },
  });
  return { ghost, bind };
}
