import type { Virtualizer } from "@tanstack/react-virtual";
import type { KeyboardEvent, RefObject } from "react";

/** Rows that a page of the table holds for the keys. */
const PAGE = 12;
const CONTROL = "button:not(:disabled), input, select";

/** The column of the value in light. */
const VALUE = 2;

/**
 * Moving in the table by keys as in any table: arrows from cell to cell, by pages, to the ends. A field that
 * is open keeps its keys. `reach` leads to a row from elsewhere.
 */
export function useTableKeys(
  frame: RefObject<HTMLElement | null>,
  virtual: Virtualizer<HTMLElement, Element>,
  count: number,
) {
  const focus = (index: number, column: number) => {
    const row = frame.current?.querySelector<HTMLTableRowElement>(`tr[data-index="${index}"]`);
    const cells = [...(row?.cells ?? [])];
    const cell = cells[Math.min(column, cells.length - 1)];
    const control = cell?.querySelector<HTMLElement>(CONTROL) ?? row?.querySelector<HTMLElement>(CONTROL);
    control?.focus({ preventScroll: true });
  };
  const goTo = (index: number, column: number) => {
    const next = Math.min(count - 1, Math.max(0, index));
    virtual.scrollToIndex(next);
    onceDrawn(() => focus(next, column));
  };
  const reach = (index: number) => {
    const table = frame.current;
    // Whoever acts in the table sees the row already.
    if (!table || table.contains(document.activeElement)) return;
    virtual.scrollToIndex(index, { align: "center" });
    onceDrawn(() => focus(index, VALUE));
  };
  const onKeyDown = (event: KeyboardEvent<HTMLElement>) => {
    const at = event.target as HTMLElement;
    if (at.matches("input:not([type=checkbox]), select") || count === 0) return;
    const row = at.closest<HTMLTableRowElement>("tr[data-index]");
    const cell = at.closest<HTMLTableCellElement>("th, td");
    const index = row ? Number(row.dataset.index) : (virtual.range?.startIndex ?? 0) - 1;
    const column = cell?.cellIndex ?? 1;
    const rows: Record<string, number> = {
      ArrowDown: index + 1,
      ArrowUp: index - 1,
      PageDown: index + PAGE,
      PageUp: index - PAGE,
      ...(event.ctrlKey || event.metaKey ? { Home: 0, End: count - 1 } : {}),
    };
    const wanted = rows[event.key];
    if (wanted !== undefined) {
      event.preventDefault();
      return goTo(wanted, column);
    }
    const way = { ArrowRight: 1, ArrowLeft: -1 }[event.key];
    if (!row || way === undefined) return;
    event.preventDefault();
    const cells = [...row.cells];
    const beside = way > 0 ? cells.slice(column + 1) : cells.slice(0, column).reverse();
    for (const other of beside) {
      const control = other.querySelector<HTMLElement>(CONTROL);
      if (control) return control.focus();
    }
  };
  return { onKeyDown, reach };
}

/** What was out of sight is drawn first. */
const onceDrawn = (act: () => void) => requestAnimationFrame(() => requestAnimationFrame(act));
