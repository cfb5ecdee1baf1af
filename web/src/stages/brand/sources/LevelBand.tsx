import { type KeyboardEvent, type PointerEvent, useRef } from "react";
import classes from "./CompanionSource.module.css";

interface Props {
  /** Every hue at the colour's own lightness and strength, from 0° to 360°. */
  stops: { hex: string; fits: boolean }[];
  /** Hue of the colour, in degrees. */
  hue: number;
  base: { name: string; hex: string };
  companions: { hex: string; name: string; turn: number }[];
  onTurn: (index: number, turn: number) => void;
}

const share = (hue: number) => `${((((hue % 360) + 360) % 360) / 360) * 100}%`;

/** All hues on one level, with a stem up from each companion. */
export function LevelBand({ stops, hue, base, companions, onTurn }: Props) {
  const dragged = useRef<number>(undefined);
  const last = stops.length - 1;
  const onPointerMove = (event: PointerEvent<HTMLElement>) => {
    if (dragged.current === undefined) return;
    const box = event.currentTarget.parentElement?.getBoundingClientRect();
    if (box) onTurn(dragged.current, ((event.clientX - box.left) / box.width) * 360 - hue);
  };
  const onKeyDown = (event: KeyboardEvent, index: number, turn: number) => {
    const way = { ArrowLeft: -1, ArrowDown: -1, ArrowRight: 1, ArrowUp: 1 }[event.key];
    if (way === undefined) return;
    event.preventDefault();
    onTurn(index, turn + way * (event.shiftKey ? 10 : 1));
  };
  return (
    <div className={classes.level}>
      <span className={classes.stem} data-base="true" style={{ left: share(hue) }} title={base.name}>
        <i style={{ background: base.hex }} />
      </span>
      {companions.map((one, i) => (
        <span
          // biome-ignore lint/suspicious/noArrayIndexKey: its place in the relation is what it is
          key={i}
          className={classes.stem}
          style={{ left: share(hue + one.turn) }}
          role="slider"
          tabIndex={0}
          aria-label={`Companion ${i + 1}`}
          aria-valuemin={0}
          aria-valuemax={360}
          aria-valuenow={Math.round((((hue + one.turn) % 360) + 360) % 360)}
          aria-valuetext={`${one.name} ${one.hex}`}
          onKeyDown={(e) => onKeyDown(e, i, one.turn)}
          onPointerDown={(e) => {
            e.currentTarget.setPointerCapture(e.pointerId);
            dragged.current = i;
          }}
          onPointerMove={onPointerMove}
          onPointerUp={() => {
            dragged.current = undefined;
          }}
          onPointerCancel={() => {
            dragged.current = undefined;
          }}
        >
          <i style={{ background: one.hex }} />
        </span>
      ))}
      <div
        className={classes.band}
        style={{ background: `linear-gradient(90deg, ${stops.map((s) => s.hex).join(", ")})` }}
      >
        {stops.map((stop, i) =>
          stop.fits ? null : (
            <span
              // biome-ignore lint/suspicious/noArrayIndexKey: a place on the band is what it is
              key={i}
              title="beyond what the screen shows"
              style={{ left: `${((i - 0.5) / last) * 100}%`, width: `${100 / last}%` }}
            />
          ),
        )}
      </div>
    </div>
  );
}
