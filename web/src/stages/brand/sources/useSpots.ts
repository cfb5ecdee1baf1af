import { type KeyboardEvent, type PointerEvent, useRef, useState } from "react";
import { spotOf } from "../../../api/picture";
import { useMoves } from "../../../editor/useMoves";
import type { Picked, Spot } from "./spot";

/** How far a key moves a spot, as a share of the picture; with Shift eight times as far. */
const STEP = 1 / 256;

/** A spot on its way. */
interface Going {
  spot: Spot;
  x: number;
  y: number;
}

interface Told {
  onMove: (spot: Spot, to: Picked) => void;
  onMoved: (spot: Spot, to: Picked) => void;
}

/** What stands under the loupe. */
export interface Under {
  x: number;
  y: number;
  color: string | undefined;
}

const cut = (v: number) => Math.min(0.9999, Math.max(0, v));

/** The place of a pointer on the picture around an element. */
export function placeOf(event: { currentTarget: Element; clientX: number; clientY: number }) {
  const box = event.currentTarget.closest("[data-picture]")?.getBoundingClientRect();
  if (!box) return { x: 0, y: 0 };
  return { x: cut((event.clientX - box.left) / box.width), y: cut((event.clientY - box.top) / box.height) };
}

/** Spots on their way, and the pixel under the pointer. */
export function useSpots(picture: string, radius: number, told: Told) {
  const [under, setUnder] = useState<Under>();
  const dragged = useRef<Spot>(undefined);
  const pick = async ({ x, y }: { x: number; y: number }): Promise<Picked | undefined> => {
    const { hex, name } = await spotOf(picture, { x, y, radius });
    return hex ? { x, y, color: hex, name: name ?? hex } : undefined;
  };
  const moves = useMoves<Going, Picked | undefined>({
    ask: pick,
    onMove: (found, { spot, x, y }) => {
      setUnder({ x, y, color: found?.color });
      if (found) told.onMove(spot, found);
    },
    onEnd: (found, { spot }) => {
      setUnder(undefined);
      if (found) told.onMoved(spot, found);
    },
  });
  // Looking around is no movement: it ends nothing and is ended by nothing.
  const looks = useMoves<{ x: number; y: number }, Picked | undefined>({
    ask: pick,
    onMove: (found, { x, y }) => setUnder({ x, y, color: found?.color }),
    onEnd: () => setUnder(undefined),
  });
  const onGround = {
    onPointerMove: (e: PointerEvent<HTMLElement>) => {
      if (!dragged.current) looks.move(placeOf(e));
    },
    onPointerLeave: () => looks.end(),
  };
  const onSpot = (spot: Spot) => ({
    onPointerDown: (e: PointerEvent<HTMLElement>) => {
      if (e.button !== 0) return;
      e.currentTarget.setPointerCapture(e.pointerId);
      moves.begin();
      dragged.current = spot;
    },
    onPointerMove: (e: PointerEvent<HTMLElement>) => {
      if (dragged.current?.key === spot.key) moves.move({ spot, ...placeOf(e) });
    },
    onPointerUp: () => {
      dragged.current = undefined;
      moves.end();
    },
    onPointerCancel: () => {
      dragged.current = undefined;
      moves.end();
    },
    onKeyDown: (e: KeyboardEvent) => {
      const way = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[e.key];
      if (!way) return;
      e.preventDefault();
      const far = STEP * (e.shiftKey ? 8 : 1);
      if (moves.at && moves.at.spot.key !== spot.key) moves.begin();
      const from = moves.at ?? spot;
      moves.step({ spot, x: cut(from.x + (way[0] ?? 0) * far), y: cut(from.y + (way[1] ?? 0) * far) });
    },
  });
  return { under, onGround, onSpot };
}
