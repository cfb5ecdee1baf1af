import { type FocusEvent, type KeyboardEvent, type RefObject, useEffect, useRef } from "react";

const CONTROL = "button:not(:disabled), input:not(:disabled), select:not(:disabled)";
/** What keeps the arrow keys for itself. */
const TYPED = "input:not([type=checkbox]), select, textarea";
/** Where Tab leads first. */
const AT_HAND = "[aria-current=true], [aria-pressed=true], [aria-expanded=true], [aria-selected=true] *";

interface Rows {
  /** Selector of what holds the controls of one row, or of one column where they stand side by side. */
  each: string;
  /** Whether they stand side by side. */
  across?: boolean;
  /** Whether they run on over several lines: the arrows up and down lead to what stands above and below. */
  wrapped?: boolean;
}

const controlsOf = (row: Element) => [...row.querySelectorAll<HTMLElement>(CONTROL)];

/**
 * A long list or table is one stop of Tab: the control that had the focus last, the one at hand, or the
 * first. It is kept in the page itself: rows that did not change are not drawn anew for it.
 */
export function useOneStop(frame: RefObject<HTMLElement | null>, each: string) {
  const last = useRef<Element>(undefined);
  const arrange = () => {
    const all = [...(frame.current?.querySelectorAll(each) ?? [])].flatMap(controlsOf);
    const kept = all.find((control) => control === last.current);
    const stop = kept ?? all.find((control) => control.matches(AT_HAND)) ?? all[0];
    for (const control of all) control.tabIndex = control === stop ? 0 : -1;
  };
  useEffect(arrange);
  return (event: FocusEvent<HTMLElement>) => {
    if (!event.target.matches(CONTROL) || !event.target.closest(each)) return;
    last.current = event.target;
    arrange();
  };
}

/**
 * A list whose rows are `each`: one stop of Tab, and arrows between rows and inside of one, Home and End to
 * the ends. What it gives stands on the element that holds the rows.
 */
export function useList<Frame extends HTMLElement>(rows: Rows) {
  const ref = useRef<Frame>(null);
  const onFocus = useOneStop(ref, rows.each);
  return { ref, onFocus, onKeyDown: (event: KeyboardEvent<HTMLElement>) => moveInRows(event, rows) };
}

/** The place of what stands in the next line that way, above or below one. */
function inNextLine(rows: Element[], index: number, way: 1 | -1): number {
  const boxes = rows.map((row) => row.getBoundingClientRect());
  const own = boxes[index];
  if (!own) return -1;
  const beyond = boxes.filter((box) => (box.top - own.top) * way > 1);
  const line = way > 0 ? Math.min(...beyond.map((b) => b.top)) : Math.max(...beyond.map((b) => b.top));
  const away = (box: DOMRect) => (Math.abs(box.top - line) < 1 ? Math.abs(box.left - own.left) : Infinity);
  const nearest = Math.min(...boxes.map(away));
  return nearest === Infinity ? -1 : boxes.findIndex((box) => away(box) === nearest);
}

function moveInRows(event: KeyboardEvent<HTMLElement>, { each, across = false, wrapped = false }: Rows) {
  const at = event.target as HTMLElement;
  const row = at.closest(each);
  if (!row || at.matches(TYPED) || event.altKey) return;
  const rows = [...event.currentTarget.querySelectorAll(each)];
  const index = rows.indexOf(row);
  const place = controlsOf(row).indexOf(at);
  const [back, on] = across || wrapped ? ["ArrowLeft", "ArrowRight"] : ["ArrowUp", "ArrowDown"];
  const [before, after] = across || wrapped ? ["ArrowUp", "ArrowDown"] : ["ArrowLeft", "ArrowRight"];
  const ways: Record<string, [number, number]> = {
    [back]: [index - 1, place],
    [on]: [index + 1, place],
    [before]: wrapped ? [inNextLine(rows, index, -1), 0] : [index, place - 1],
    [after]: wrapped ? [inNextLine(rows, index, 1), 0] : [index, place + 1],
    Home: [0, place],
    End: [rows.length - 1, place],
  };
  const way = ways[event.key];
  const controls = way && rows[way[0]] ? controlsOf(rows[way[0]] as Element) : [];
  const next = way && controls[way[0] === index ? way[1] : Math.min(way[1], controls.length - 1)];
  if (!next) return;
  event.preventDefault();
  next.focus();
}
