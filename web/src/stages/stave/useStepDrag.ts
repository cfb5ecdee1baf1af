import { type KeyboardEvent, type PointerEvent, useRef } from "react";
import type { Scale, Step } from "../../api/client";
import { useEditor } from "../../editor/EditorProvider";
import { type Edit, setStepLightness } from "../../editor/edits";

/** A pointer that moved less than this was a click. */
const CLICK = 3;
/** A pause after the last key that ends a change, in ms. */
const PAUSE = 600;

/** A movement by keys that is not over yet. */
interface Typed {
  label: string;
  from: number;
  to: number;
  timer: ReturnType<typeof setTimeout>;
}

const cut = (l: number) => Math.min(100, Math.max(0, l));

/**
 * Moving a step along its line: every move is shown, the end of the movement is saved as one
 * revision. The server keeps the order of the steps, whatever is asked for.
 */
export function useStepDrag(scale: Scale, onClick: () => void) {
  const { draft, commit, discard } = useEditor();
  const drag = useRef<{ from: number; x: number; moved: boolean; to: number }>(undefined);
  const typed = useRef<Typed>(undefined);

  const at =
    (label: string, to: number): Edit =>
    (s) =>
      setStepLightness(s, scale.slug, label, to);
  const save = (label: string, from: number, to: number) => {
    const words = `${scale.name} ${label}: lightness ${from.toFixed(1)} → ${to.toFixed(1)}`;
    void commit(at(label, to), words);
  };
  /** Ends a movement by keys. */
  const saveTyped = () => {
    const done = typed.current;
    typed.current = undefined;
    if (!done) return;
    clearTimeout(done.timer);
    save(done.label, done.from, done.to);
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
      draft(at(step.label, state.to));
    },
    onPointerUp: () => {
      const state = drag.current;
      drag.current = undefined;
      if (!state) return;
      if (!state.moved) onClick();
      else if (!step.pinned) save(step.label, state.from, state.to);
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
      if (typed.current?.label !== step.label) saveTyped();
      const before = typed.current ?? { from: step.lightness, to: step.lightness };
      const to = cut(before.to + way * (event.shiftKey ? 2 : 0.5));
      clearTimeout(typed.current?.timer);
      draft(at(step.label, to));
      typed.current = { label: step.label, from: before.from, to, timer: setTimeout(saveTyped, PAUSE) };
    },
  });
  return bind;
}
