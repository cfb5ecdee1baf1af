import { type KeyboardEvent, type PointerEvent, useRef } from "react";
import type { Scale, Step } from "../../api/client";
import { useTheEditor } from "../../editor/EditorContext";
import { setStepLightness } from "../../editor/edits";

/** A pointer that moved less than this was a click. */
const CLICK = 3;
/** A pause after the last key that ends a change, in ms. */
const PAUSE = 600;

const cut = (l: number) => Math.min(100, Math.max(0, l));

/**
 * Moving a step along its line: every move is shown, the end of the movement is saved as one
 * revision. The server keeps the order of the steps, whatever is asked for.
 */
export function useStepDrag(scale: Scale, onClick: () => void) {
  const { spec, theme, draft, commit, discard } = useTheEditor();
  const drag = useRef<{ from: number; x: number; moved: boolean; to: number }>(undefined);
  const typed = useRef<{ to: number; timer: ReturnType<typeof setTimeout> }>(undefined);

  const move = (step: Step, to: number) => draft(setStepLightness(spec, scale.slug, step.label, to));
  const save = (step: Step, from: number, to: number) => {
    const label = `${scale.name} ${step.label}: lightness ${from.toFixed(1)} → ${to.toFixed(1)}`;
    void commit(setStepLightness(theme.spec, scale.slug, step.label, to), label);
  };

  const bind = (step: Step) => ({
    onPointerDown: (event: PointerEvent<HTMLElement>) => {
      if (event.button !== 0) return;
      event.currentTarget.setPointerCapture(event.pointerId);
      drag.current = { from: step.lightness, x: event.clientX, moved: false, to: step.lightness };
    },
    onPointerMove: (event: PointerEvent<HTMLElement>) => {
      const state = drag.current;
      const line = event.currentTarget.parentElement;
      if (!state || !line) return;
      const distance = event.clientX - state.x;
      if (!state.moved && Math.abs(distance) < CLICK) return;
      state.moved = true;
      if (step.pinned) return;
      state.to = cut(state.from - (distance / line.clientWidth) * 100);
      move(step, state.to);
    },
    onPointerUp: () => {
      const state = drag.current;
      drag.current = undefined;
      if (!state) return;
      if (!state.moved) onClick();
      else if (!step.pinned) save(step, state.from, state.to);
    },
    onPointerCancel: () => {
      if (drag.current?.moved) discard();
      drag.current = undefined;
    },
    onKeyDown: (event: KeyboardEvent<HTMLElement>) => {
      if (event.key === "Enter" || event.key === " ") {
        event.preventDefault();
        onClick();
        return;
      }
      const way = { ArrowLeft: 1, ArrowUp: 1, ArrowRight: -1, ArrowDown: -1 }[event.key];
      if (way === undefined || step.pinned) return;
      event.preventDefault();
      const from = typed.current?.to ?? step.lightness;
      const to = cut(from + way * (event.shiftKey ? 2 : 0.5));
      clearTimeout(typed.current?.timer);
      move(step, to);
      const timer = setTimeout(() => {
        typed.current = undefined;
        save(step, step.lightness, to);
      }, PAUSE);
      typed.current = { to, timer };
    },
  });
  return bind;
}
