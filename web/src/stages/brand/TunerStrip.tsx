import { TextInput } from "@mantine/core";
import { type KeyboardEvent, type PointerEvent, useEffect, useState } from "react";
import classes from "./Tuner.module.css";
import type { Place, TunerView } from "./useTuner";

interface Props {
  axis: keyof Place;
  name: string;
  strip: TunerView["lightness"];
  value: number;
  digits: number;
  /** How far a key goes; with Shift ten times as far. */
  grain: number;
  unit?: string;
  /** Whether the two ends are one. */
  around?: boolean;
  /** Where the screen's gamut ends. */
  gamut?: number;
  lines?: { at: number; dark: boolean; text: string; title: string }[];
  /** Where the brand's other colours stand. */
  ticks: { at: number; name: string; color: string }[];
  place: () => Place | undefined;
  move: (to: Partial<Place>) => void;
  step: (to: Partial<Place>) => void;
  end: () => void;
}

/** What a colour would become along one way, with a handle where it stands. */
export function TunerStrip(props: Props) {
  const { axis, name, strip, value, digits, grain, unit = "", around, gamut, lines, ticks } = props;
  const { high } = strip;
  const share = (at: number) => `${(Math.min(Math.max(at, 0), high) / high) * 100}%`;
  const cut = (to: number) => (around ? ((to % high) + high) % high : Math.min(high, Math.max(0, to)));
  const at = (event: PointerEvent<HTMLElement>) => {
    const box = event.currentTarget.getBoundingClientRect();
    return cut(((event.clientX - box.left) / box.width) * high);
  };
  const onKeyDown = (event: KeyboardEvent<HTMLElement>) => {
    const way = { ArrowLeft: -1, ArrowDown: -1, ArrowRight: 1, ArrowUp: 1 }[event.key];
    if (way === undefined) return;
    event.preventDefault();
    const from = props.place()?.[axis] ?? value;
    props.step({ [axis]: cut(from + way * grain * (event.shiftKey ? 10 : 1)) });
  };
  return (
    <div className={classes.line}>
      <span className={classes.name}>{name}</span>
      <div
        className={classes.strip}
        style={{ background: `linear-gradient(90deg, ${strip.stops.map((s) => s.hex).join(", ")})` }}
        role="slider"
        tabIndex={0}
        aria-label={name}
        aria-valuemin={0}
        aria-valuemax={high}
        aria-valuenow={Number(value.toFixed(digits))}
        onKeyDown={onKeyDown}
        onPointerDown={(e) => {
          if (e.button !== 0) return;
          e.currentTarget.setPointerCapture(e.pointerId);
          props.move({ [axis]: at(e) });
        }}
        onPointerMove={(e) => {
          if (e.currentTarget.hasPointerCapture(e.pointerId)) props.move({ [axis]: at(e) });
        }}
        onPointerUp={props.end}
        onPointerCancel={props.end}
      >
        {beyond(strip.stops).map(([from, to]) => (
          <span
            key={from}
            className={classes.beyond}
            title="beyond what the screen shows: strength is taken"
            style={{
              left: share((from / (strip.stops.length - 1)) * high),
              right: `calc(100% - ${share((to / (strip.stops.length - 1)) * high)})`,
            }}
          />
        ))}
        {gamut !== undefined && <span className={classes.end} style={{ left: share(gamut) }} />}
        {lines?.map((line) => (
          <span
            key={line.title}
            className={classes.limit}
            data-dark={line.dark || undefined}
            style={{ left: share(line.at) }}
            title={line.title}
          >
            {line.text}
          </span>
        ))}
        <span className={classes.handle} style={{ left: share(value) }} />
      </div>
      <TypedNumber
        name={name}
        value={value}
        digits={digits}
        high={high}
        unit={unit}
        onNumber={(n) => props.step({ [axis]: n })}
      />
      <div className={classes.ticks} aria-hidden="true">
        {ticks.map((tick) => (
          <i key={tick.name} title={tick.name} style={{ left: share(tick.at), background: tick.color }} />
        ))}
      </div>
    </div>
  );
}

/** Runs of stops that the screen does not show, by index. */
function beyond(stops: { fits: boolean }[]): [number, number][] {
  const runs: [number, number][] = [];
  stops.forEach(({ fits }, i) => {
    const last = runs.at(-1);
    if (fits) return;
    if (last && last[1] === i - 1) last[1] = i;
    else runs.push([i, i]);
  });
  return runs;
}

interface NumberProps {
  name: string;
  value: number;
  digits: number;
  high: number;
  unit: string;
  onNumber: (n: number) => void;
}

/** The same as a number to type. */
function TypedNumber({ name, value, digits, high, unit, onNumber }: NumberProps) {
  const shown = `${value.toFixed(digits)}${unit}`;
  const [text, setText] = useState(shown);
  const [refusal, setRefusal] = useState<string>();
  useEffect(() => setText(shown), [shown]);
  const leave = () => {
    if (text === shown) return setRefusal(undefined);
    const n = Number(text.replace(unit, "").replace(",", ".").trim());
    if (text.trim() === "" || Number.isNaN(n) || n < 0 || n > high)
      return setRefusal(`expected 0 to ${high}${unit}`);
    setRefusal(undefined);
    onNumber(n);
  };
  return (
    <TextInput
      size="xs"
      variant="unstyled"
      className={classes.number}
      aria-label={`${name} as a number`}
      inputMode="decimal"
      value={text}
      error={refusal}
      onChange={(e) => {
        setText(e.currentTarget.value);
        setRefusal(undefined);
      }}
      onBlur={leave}
      onKeyDown={(e) => {
        if (e.key === "Enter") leave();
        if (e.key === "Escape") {
          setText(shown);
          setRefusal(undefined);
        }
      }}
    />
  );
}
