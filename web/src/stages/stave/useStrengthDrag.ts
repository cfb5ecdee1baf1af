import { type PointerEvent, useRef, useState } from "react";
import type { Scale, Step } from "../../api/client";
import { useScaleNumber } from "./useScaleNumber";

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
  const number = useScaleNumber(scale, "strength");
  const drag = useRef<Drag>(undefined);
  // The curve as it was when the drag began.
  const [ghost, setGhost] = useState<Scale["steps"]>();
  const stop = () => {
    const done = drag.current;
    drag.current = undefined;
    setGhost(undefined);
    return done;
  };
  const bind = (step: Step, top: number) => ({
    onPointerDown: (event: PointerEvent<HTMLElement>) => {
      if (event.button !== 0 || step.chroma === 0 || !number) return;
      event.currentTarget.setPointerCapture(event.pointerId);
      drag.current = { chroma: step.chroma, strength: number.saved, top, to: number.saved };
      setGhost(scale.steps);
    },
    onPointerMove: (event: PointerEvent<HTMLElement>) => {
      const state = drag.current;
      const plot = event.currentTarget.parentElement?.getBoundingClientRect();
      if (!state || !plot || !number) return;
      const { low, high, step: grain } = number.field;
      const chroma = (1 - (event.clientY - plot.top) / plot.height) * state.top;
      const wanted = Math.min(high, Math.max(low, (state.strength * chroma) / state.chroma));
      const to = Math.round(wanted / grain) * grain;
      if (to === state.to) return;
      state.to = to;
      number.show(to);
    },
    onPointerUp: () => {
      const done = stop();
      if (done) number?.save(done.to);
    },
    onPointerCancel: () => {
      stop();
      number?.drop();
    },
  });
  return { ghost, bind };
}
