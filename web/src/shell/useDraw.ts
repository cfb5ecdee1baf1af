import { useRef, useState } from "react";
import { answer, api, type ColorItem } from "../api/client";

interface Drawn {
  name: string;
  hex: string;
  kept: boolean;
}

const lineOf = ({ name, hex }: Drawn) => `${name}: ${hex}`;

/** Colours of a drawn brand. */
const PLACES = 3;

/**
 * Colours drawn into a text of colours: companions of what was typed, where there is something. Another
 * draw takes the place of the one before, but for what is kept.
 */
export function useDraw(text: string, items: ColorItem[], onText: (text: string) => void) {
  const [all, setAll] = useState<Drawn[]>([]);
  const number = useRef(Math.floor(Date.now() / 1000) % 1_000_000);
  // What was changed in the text was typed, and is no draw any more.
  const lines = text.split("\n").map((line) => line.trim());
  const drawn = all.filter((one) => lines.includes(lineOf(one)));
  const draw = async () => {
    number.current += 1;
    const codes = items.flatMap(({ hex }) => (hex && !drawn.some((one) => one.hex === hex) ? [hex] : []));
    const given = codes.slice(0, PLACES - 1);
    const places =
      drawn.length > 0
        ? drawn.map((one) => (one.kept ? one.hex : null))
        : Array<null>(PLACES - given.length).fill(null);
    const keep = [...given, ...places].slice(0, PLACES);
    const body = { draw: number.current, keep: keep.some(Boolean) ? keep : [] };
    const found = await answer(api.POST("/api/start", { body }));
    const next = found.slice(given.length).map((one) => {
      const before = drawn.find((other) => other.kept && other.hex === one.hex);
      return before ?? { ...one, kept: false };
    });
    const typed = lines.filter((line) => line && !drawn.some((one) => lineOf(one) === line));
    setAll(next);
    onText([...typed, ...next.map(lineOf)].join("\n"));
  };
  const keep = (hex: string, kept: boolean) =>
    setAll((before) => before.map((one) => (one.hex === hex ? { ...one, kept } : one)));
  return { drawn, draw, keep };
}
