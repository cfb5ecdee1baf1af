import { Button, SegmentedControl } from "@mantine/core";
import { useElementSize } from "@mantine/hooks";
import { useState } from "react";
import { spotOf } from "../../../api/picture";
import { Loupe } from "./Loupe";
import classes from "./PictureSource.module.css";
import type { Picked, Spot } from "./spot";
import { placeOf, useSpots } from "./useSpots";

interface Props {
  picture: string;
  name: string;
  spots: Spot[];
  /** While a spot is on its way. */
  onMove: (spot: Spot, to: Picked) => void;
  /** Once it has arrived. */
  onMoved: (spot: Spot, to: Picked) => void;
  onAdd: (to: Picked) => void;
  onRemove: (spot: Spot) => void;
}

/** Room for the picture, for the list with the buttons below it, and for one line of it, in px. */
const HEIGHT = 264;
const LIST = 200;
const GAP = 26;
const ROW = 24;
/** Over how much a colour is averaged, as a share of the longer side. */
const RADII = [
  { value: "0", label: "pixel" },
  { value: "0.006", label: "small" },
  { value: "0.02", label: "wide" },
];

/** The picture with its spots, each with a line to its colour at the side. */
export function PictureSpots({ picture, name, spots, onMove, onMoved, onAdd, onRemove }: Props) {
  const { ref, width } = useElementSize();
  const [natural, setNatural] = useState<{ width: number; height: number }>();
  const [radius, setRadius] = useState("0.006");
  const { under, onGround, onSpot } = useSpots(picture, Number(radius), { onMove, onMoved });
  const room = Math.max(120, width - LIST - GAP);
  const scale = natural ? Math.min(room / natural.width, HEIGHT / natural.height) : 0;
  const shown = { width: (natural?.width ?? 0) * scale, height: (natural?.height ?? 0) * scale };
  const side = shown.width + GAP;
  const add = async (at: { x: number; y: number }) => {
    const found = await spotOf(picture, { ...at, radius: Number(radius) }).catch(() => undefined);
    if (found?.hex) onAdd({ ...at, color: found.hex, name: found.name ?? found.hex });
  };
  return (
    <div
      ref={ref}
      className={classes.spots}
      style={{ minHeight: Math.max(shown.height, spots.length * ROW) }}
    >
      {/* biome-ignore lint/a11y/noStaticElementInteractions: by keys a spot is added by the button below */}
      {/* biome-ignore lint/a11y/useKeyWithClickEvents: the same */}
      <div
        data-picture
        className={classes.ground}
        style={shown}
        {...onGround}
        onClick={(e) => {
          if (!(e.target as HTMLElement).closest("button")) void add(placeOf(e));
        }}
      >
        <img
          src={`/api/pictures/${picture}`}
          alt={name}
          draggable={false}
          onLoad={(e) =>
            setNatural({ width: e.currentTarget.naturalWidth, height: e.currentTarget.naturalHeight })
          }
        />
        {spots.map((spot, i) => {
          const { onKeyDown, ...pointer } = onSpot(spot);
          return (
            <button
              key={spot.key}
              type="button"
              className={classes.spot}
              data-taken={spot.brand ? true : undefined}
              style={
                {
                  left: `${spot.x * 100}%`,
                  top: `${spot.y * 100}%`,
                  "--spot": spot.color,
                } as React.CSSProperties
              }
              aria-label={`Spot ${i + 1}: ${spot.name} ${spot.color}`}
              title="Drag, or move by the arrow keys"
              {...pointer}
              onKeyDown={(e) => {
                if ((e.key === "Delete" || e.key === "Backspace") && !spot.brand) onRemove(spot);
                else onKeyDown(e);
              }}
            >
              {i + 1}
            </button>
          );
        })}
        {under && natural && <Loupe picture={picture} natural={natural} shown={shown} under={under} />}
      </div>
      <svg className={classes.leads} aria-hidden="true">
        {spots.map((spot, i) => (
          <line
            key={spot.key}
            x1={spot.x * shown.width}
            y1={spot.y * shown.height}
            x2={side - 4}
            y2={i * ROW + ROW / 2}
          />
        ))}
      </svg>
      <ol className={classes.list} style={{ left: side }} aria-label="Colours of the picture">
        {spots.map((spot) => (
          <li key={spot.key}>
            <i style={{ background: spot.color }} /> {spot.name} <code>{spot.color}</code>
            {spot.brand && <small>taken</small>}
          </li>
        ))}
      </ol>
      <div
        className={classes.radius}
        style={{ left: side, top: Math.max(spots.length * ROW + 8, shown.height - 26) }}
      >
        <Button size="compact-xs" variant="default" onClick={() => void add({ x: 0.5, y: 0.5 })}>
          New spot
        </Button>
        <SegmentedControl
          size="xs"
          aria-label="Averaged over"
          data={RADII}
          value={radius}
          onChange={setRadius}
        />
      </div>
    </div>
  );
}
