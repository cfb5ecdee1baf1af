import { type KeyboardEvent, type PointerEvent, useRef, useState } from "react";
import { spotOf } from "../../../api/picture";
import { useMoves } from "../../../editor/useMoves";
import type { Picked, Spot } from "./PictureSpots";

/** How far a key moves a spot, as a share of the picture; with Shift eight times as far. */
const STEP = 1 / 256;

/** A place that is looked at, and the spot that is moved there, if one is. */
interface Look {
  spot: Spot | undefined;
  x: number;
  y: number;
}

interface Told {
  onMove: (spot: Spot, to: Picked) => void;
  onMoved: (spot: Spot, to: Picked) => void;
}

/** What stands under the loupe. */
export type Under = Pick<Look, "x" | "y"> & { color: string | undefined };

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
  const moves = useMoves<Look, Picked | undefined>({
    ask: async ({ x, y }) => {
      const { hex, name } = await spotOf(picture, { x, y, radius });
      return hex ? { x, y, color: hex, name: name ?? hex } : undefined;
    },
    onMove: (found, { spot, x, y }) => {
      setUnder({ x, y, color: found?.color });
      if (spot && found) told.onMove(spot, found);
    },
    onEnd: (found, { spot }) => {
      setUnder(undefined);
      if (spot && found) told.onMoved(spot, found);
    },
  });
  const onGround = {
    onPointerMove: (e: PointerEvent<HTMLElement>) =>
      dragged.current ?? moves.move({ spot: undefined, ...placeOf(e) }),
    onPointerLeave: () => dragged.current ?? moves.end(),
  };
  const onSpot = (spot: Spot) => ({
    onPointerDown: (e: PointerEvent<HTMLElement>) => {
      if (e.button !== 0) return;
      e.currentTarget.setPointerCapture(e.pointerId);
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
      const from = moves.at?.spot?.key === spot.key ? moves.at : spot;
      moves.step({ spot, x: cut(from.x + (way[0] ?? 0) * far), y: cut(from.y + (way[1] ?? 0) * far) });
    },
  });
  return { under, onGround, onSpot };
}
