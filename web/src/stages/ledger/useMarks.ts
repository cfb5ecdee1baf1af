import { useCallback, useRef, useState } from "react";
import type { Row } from "./rows";

/** How a row is marked: alone, or all from the last one to it. */
export type Reach = "one" | "range";

export interface Marks {
  paths: ReadonlySet<string>;
  /** Marks a row, or takes its mark away. */
  mark: (path: string, reach: Reach) => void;
  set: (paths: string[]) => void;
}

const NONE: ReadonlySet<string> = new Set();

/** Rows that are marked to be changed together. */
export function useMarks(rows: Row[]): Marks {
  const [paths, setPaths] = useState(NONE);
  const last = useRef<string>(undefined);
  const shown = useRef(rows);
  shown.current = rows;
  const mark = useCallback((path: string, reach: Reach) => {
    const before = last.current;
    last.current = path;
    setPaths((marked) => marking(marked, shown.current, path, reach === "range" ? before : undefined));
  }, []);
  const set = useCallback((next: string[]) => setPaths(new Set(next)), []);
  return { paths, mark, set };
}

/** The marks after one more: of a row, or of all from another to it in the order that is shown. */
export function marking(
  marked: ReadonlySet<string>,
  rows: Row[],
  path: string,
  from?: string,
): ReadonlySet<string> {
  const order = rows.map((r) => r.token.path);
  const [a, b] = [order.indexOf(from ?? path), order.indexOf(path)];
  const next = new Set(marked);
  if (from === undefined || a < 0 || b < 0) {
    if (!next.delete(path)) next.add(path);
    return next;
  }
  for (const one of order.slice(Math.min(a, b), Math.max(a, b) + 1)) next.add(one);
  return next;
}
