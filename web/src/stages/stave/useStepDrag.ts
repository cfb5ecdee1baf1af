import { type KeyboardEvent, type PointerEvent, useRef } from "react";
import type { Scale, Step } from "../../api/client";
import { useEditor } from "../../editor/EditorProvider";
import { type Edit, setStepLightness } from "../../editor/edits";
import { along, toldOf } from "./together";

/** A pointer that moved less than this was a click. */
const CLICK = 3;
/** A pause after the last key that ends a change, in ms. */
const PAUSE = 600;

/** Where a step and those that go along with it stood when a movement began. */
interface Start {
  label: string;
  from: number;
  /** L* of the steps of that label, by the slug of their scale. */
  along: Map<string, number>;
}

/** A movement by keys that is not over yet. */
interface Typed extends Start {
  to: number;
  timer: ReturnType<typeof setTimeout>;
}

const cut = (l: number) => Math.min(100, Math.max(0, l));

/**
 * Moving a step along its line: every move is shown, the end of the movement is saved as one
 * revision. The server keeps the order of the steps, whatever is asked for.
 */
export function useStepDrag(scale: Scale, onClick: () => void) {
  const { store, dragTo, commit, discard } = useEditor();
  const drag = useRef<Start & { x: number; last: number; moved: boolean; to: number }>(undefined);
  const typed = useRef<Typed>(undefined);

  const start = ({ label, lightness }: Step): Start => {
    const all = store.getState().preview?.derived.scales ?? [];
    const steps = along(scale.slug).flatMap((slug) => {
      const step = all.find((s) => s.slug === slug)?.steps.find((s) => s.label === label);
      return step && !step.pinned ? [[slug, step.lightness] as const] : [];
    });
    return { label, from: lightness, along: new Map(steps) };
  };
  const at =
    ({ label, from, along }: Start, to: number): Edit =>
    (document) =>
      [...along].reduce((d, [slug, l]) => setStepLightness(d, slug, label, cut(l + to - from)), document);
  const save = (began: Start, to: number) => {
    const told =
      toldOf(scale) === scale.name ? `${scale.name} ${began.label}` : `${began.label} of ${toldOf(scale)}`;
    void commit(at(began, to), `${told}: lightness ${began.from.toFixed(1)} → ${to.toFixed(1)}`);
  };
  /** Ends a movement by keys. */
  const saveTyped = () => {
    const done = typed.current;
    typed.current = undefined;
    if (!done) return;
    clearTimeout(done.timer);
    save(done, done.to);
  };

  const bind = (step: Step) => ({
    onPointerDown: (event: PointerEvent<HTMLElement>) => {
      if (event.button !== 0) return;
      event.currentTarget.setPointerCapture(event.pointerId);
      const x = event.clientX;
      drag.current = { ...start(step), x, last: x, moved: false, to: step.lightness };
    },
    onPointerMove: (event: PointerEvent<HTMLElement>) => {
      const state = drag.current;
      const line = event.currentTarget.parentElement;
      if (!state || !line) return;
      const distance = event.clientX - state.x;
      if (!state.moved && Math.abs(distance) < CLICK) return;
      state.moved = true;
      if (step.pinned) return;
      const toward = (x: number) => cut(state.from - ((x - state.x) / line.clientWidth) * 100);
      const { clientX: x } = event;
      const further = x - state.last;
      state.last = x;
      state.to = toward(x);
      // On by as much as just now, and by the least there is.
      const ahead = [...new Set([x + further, x + Math.sign(further)])].filter((next) => next !== x);
      dragTo(at(state, state.to), { ahead: ahead.map((next) => at(state, toward(next))) });
    },
    onPointerUp: () => {
      const state = drag.current;
      drag.current = undefined;
      if (!state) return;
      if (!state.moved) onClick();
      else if (!step.pinned) save(state, state.to);
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
      const before = typed.current ?? { ...start(step), to: step.lightness };
      const to = cut(before.to + way * (event.shiftKey ? 2 : 0.5));
      clearTimeout(typed.current?.timer);
      dragTo(at(before, to), { ahead: [at(before, cut(to + (to - before.to)))] });
      typed.current = { ...before, to, timer: setTimeout(saveTyped, PAUSE) };
    },
  });
  return bind;
}
