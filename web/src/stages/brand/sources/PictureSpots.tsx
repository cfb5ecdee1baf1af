import { Button, SegmentedControl } from "@mantine/core";
import { useElementSize } from "@mantine/hooks";
import { type KeyboardEvent, type PointerEvent, useMemo, useRef, useState } from "react";
import { spotOf } from "../../../api/picture";
import { LatestOnly } from "../../../editor/latestOnly";
import classes from "./PictureSource.module.css";

export interface Spot {
  key: string;
  name: string;
  color: string;
  /** Whether it is a brand colour already. */
  taken: boolean;
  /** 0–1 from the left and from the top. */
  x: number;
  y: number;
}

/** A place and the colour that stands there. */
export interface Picked {
  x: number;
  y: number;
  color: string;
  name: string;
}

interface Props {
  picture: string;
  name: string;
  spots: Spot[];
  /** While a spot is on its way. */
  onMove: (key: string, to: Picked) => void;
  /** Once it has arrived. */
  onMoved: (key: string, to: Picked) => void;
  onAdd: (to: Picked) => void;
  onRemove: (key: string) => void;
}

/** Room for the picture and for one line of the list, in px. */
const HEIGHT = 264;
const LIST = 168;
const GAP = 26;
const ROW = 24;
/** How many px of the loupe one px of the picture takes. */
const ZOOM = 8;
const LOUPE = 104;
/** How far a key moves a spot, as a share of the picture. */
const STEP = 1 / 256;
const PAUSE = 600;
/** Over how much a colour is averaged, as a share of the longer side. */
const RADII = [
  { value: "0", label: "pixel" },
  { value: "0.006", label: "small" },
  { value: "0.02", label: "wide" },
];

const cut = (v: number) => Math.min(0.9999, Math.max(0, v));

/** The picture with its spots, each with a line to its colour at the side. */
export function PictureSpots({ picture, name, spots, onMove, onMoved, onAdd, onRemove }: Props) {
  const { ref, width } = useElementSize();
  const [natural, setNatural] = useState<{ width: number; height: number }>();
  const [radius, setRadius] = useState("0.006");
  const [under, setUnder] = useState<{ x: number; y: number; color: string | undefined }>();
  const dragged = useRef<string>(undefined);
  const reached = useRef<Picked>(undefined);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const told =
    useRef<(key: string | undefined, x: number, y: number, found: Picked | undefined) => void>(undefined);
  told.current = (key, x, y, found) => {
    setUnder({ x, y, color: found?.color });
    if (!key || !found) return;
    reached.current = found;
    onMove(key, found);
  };
  const asking = useMemo(
    () =>
      new LatestOnly<
        { key: string | undefined; x: number; y: number; radius: number },
        { hex?: string | null; name?: string | null }
      >(
        ({ x, y, radius }) => spotOf(picture, { x, y, radius }),
        ({ key, x, y }, { hex, name: look }) =>
          told.current?.(key, x, y, hex ? { x, y, color: hex, name: look ?? hex } : undefined),
        () => undefined,
      ),
    [picture],
  );
  const room = Math.max(120, width - LIST - GAP);
  const scale = natural ? Math.min(room / natural.width, HEIGHT / natural.height) : 0;
  const shown = { width: (natural?.width ?? 0) * scale, height: (natural?.height ?? 0) * scale };
  const place = (event: PointerEvent<HTMLElement>) => {
    const box = event.currentTarget.closest("[data-picture]")?.getBoundingClientRect();
    if (!box) return { x: 0, y: 0 };
    return { x: cut((event.clientX - box.left) / box.width), y: cut((event.clientY - box.top) / box.height) };
  };
  const ask = (key: string | undefined, at: { x: number; y: number }) =>
    asking.push({ key, ...at, radius: Number(radius) });
  const settle = (key: string) => {
    clearTimeout(timer.current);
    if (reached.current) onMoved(key, reached.current);
    reached.current = undefined;
    setUnder(undefined);
  };
  const onKeyDown = (event: KeyboardEvent, spot: Spot) => {
    if ((event.key === "Delete" || event.key === "Backspace") && !spot.taken) return onRemove(spot.key);
    const way = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key];
    if (!way) return;
    event.preventDefault();
    const far = event.shiftKey ? 8 : 1;
    const from = reached.current ?? spot;
    ask(spot.key, {
      x: cut(from.x + (way[0] ?? 0) * STEP * far),
      y: cut(from.y + (way[1] ?? 0) * STEP * far),
    });
    clearTimeout(timer.current);
    timer.current = setTimeout(() => settle(spot.key), PAUSE);
  };
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
        onPointerMove={(e) => dragged.current === undefined && ask(undefined, place(e))}
        onPointerLeave={() => dragged.current === undefined && setUnder(undefined)}
        onClick={(e) => {
          const box = e.currentTarget.getBoundingClientRect();
          if ((e.target as HTMLElement).closest("button")) return;
          void add({
            x: cut((e.clientX - box.left) / box.width),
            y: cut((e.clientY - box.top) / box.height),
          });
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
        {spots.map((spot, i) => (
          <button
            key={spot.key}
            type="button"
            className={classes.spot}
            data-taken={spot.taken || undefined}
            style={
              {
                left: `${spot.x * 100}%`,
                top: `${spot.y * 100}%`,
                "--spot": spot.color,
              } as React.CSSProperties
            }
            aria-label={`Spot ${i + 1}: ${spot.name} ${spot.color}`}
            title="Drag, or move by the arrow keys"
            onKeyDown={(e) => onKeyDown(e, spot)}
            onPointerDown={(e) => {
              if (e.button !== 0) return;
              e.currentTarget.setPointerCapture(e.pointerId);
              dragged.current = spot.key;
            }}
            onPointerMove={(e) => dragged.current === spot.key && ask(spot.key, place(e))}
            onPointerUp={() => {
              if (dragged.current === spot.key) settle(spot.key);
              dragged.current = undefined;
            }}
            onPointerCancel={() => {
              dragged.current = undefined;
            }}
          >
            {i + 1}
          </button>
        ))}
        {under && natural && <Loupe picture={picture} natural={natural} shown={shown} under={under} />}
      </div>
      <svg className={classes.leads} aria-hidden="true">
        {spots.map((spot, i) => (
          <line
            key={spot.key}
            x1={spot.x * shown.width}
            y1={spot.y * shown.height}
            x2={shown.width + GAP - 4}
            y2={i * ROW + ROW / 2}
          />
        ))}
      </svg>
      <ol className={classes.list} style={{ left: shown.width + GAP }} aria-label="Colours of the picture">
        {spots.map((spot) => (
          <li key={spot.key}>
            <i style={{ background: spot.color }} /> {spot.name} <code>{spot.color}</code>
            {spot.taken && <small>taken</small>}
          </li>
        ))}
      </ol>
      <div
        className={classes.radius}
        style={{ left: shown.width + GAP, top: Math.max(spots.length * ROW + 8, shown.height - 26) }}
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

interface LoupeProps {
  picture: string;
  natural: { width: number; height: number };
  shown: { width: number; height: number };
  under: { x: number; y: number; color: string | undefined };
}

/** The pixels around a place, and the colour that would be picked. */
function Loupe({ picture, natural, shown, under }: LoupeProps) {
  const middle = LOUPE / 2;
  const left = under.x * shown.width;
  const top = under.y * shown.height;
  return (
    <div
      className={classes.loupe}
      aria-hidden="true"
      style={{
        left: left + (left > shown.width / 2 ? -LOUPE - 18 : 18),
        top: Math.max(0, Math.min(top - middle, shown.height - LOUPE - 20)),
      }}
    >
      <span
        style={{
          width: LOUPE,
          height: LOUPE,
          backgroundImage: `url(/api/pictures/${picture})`,
          backgroundSize: `${natural.width * ZOOM}px ${natural.height * ZOOM}px`,
          backgroundPosition: `${middle - under.x * natural.width * ZOOM}px ${middle - under.y * natural.height * ZOOM}px`,
        }}
      />
      <small>
        <i style={{ background: under.color ?? "transparent" }} /> {under.color ?? "nothing here"}
      </small>
    </div>
  );
}
