import { measureElement, useVirtualizer, type Virtualizer } from "@tanstack/react-virtual";
import { useEffect, useRef } from "react";
import { useOneStop } from "../../ui/useList";
import type { Column } from "./columns";
import classes from "./Ledger.module.css";
import { LedgerRow } from "./LedgerRow";
import type { Row } from "./rows";
import type { Marks } from "./useMarks";
import { useTableKeys } from "./useTableKeys";

/** Height of a row in px, before it is measured. */
const ROW = 28;
/** Rows drawn beyond what is seen. */
const BEYOND = 8;

interface Props {
  rows: Row[];
  columns: Column[];
  marks: Marks;
  empty: boolean;
  names: Record<string, string>;
  chosen: string | undefined;
  onChoose: (path: string) => void;
  /** Head of the first column. */
  head: React.ReactNode;
}

/** The table; of a long list only what is near the window is drawn. */
export function LedgerTable({ rows, columns, marks, empty, names, chosen, onChoose, head }: Props) {
  const frame = useRef<HTMLElement>(null);
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => frame.current,
    estimateSize: () => ROW,
    getItemKey: (i) => rows[i]?.token.path ?? i,
    overscan: BEYOND,
    measureElement: heightOf,
    // Rows are there in the first drawing, before the frame is measured.
    initialRect: { width: 0, height: window.innerHeight },
  });
  const { onKeyDown, reach } = useTableKeys(frame, virtual, rows.length);
  const index = rows.findIndex((r) => r.token.path === chosen);
  const reached = useRef<string>(undefined);
  useEffect(() => {
    if (index < 0 || reached.current === chosen) return;
    reached.current = chosen;
    reach(index);
  }, [index, chosen, reach]);
  const onFocus = useOneStop(frame, "tr[data-index]");
  const everyOne = rows.length > 0 && rows.every((r) => marks.paths.has(r.token.path));
  const items = virtual.getVirtualItems();
  const above = items[0]?.start ?? 0;
  const below = virtual.getTotalSize() - (items[items.length - 1]?.end ?? 0);
  return (
    <section
      ref={frame}
      className={classes.scroll}
      // biome-ignore lint/a11y/noNoninteractiveTabindex: a region that scrolls must be reachable by keyboard
      tabIndex={0}
      aria-label="Tokens"
      onFocus={onFocus}
      onKeyDown={onKeyDown}
    >
      <table
        className={classes.table}
        aria-rowcount={rows.length + 1}
        style={{ marginBlock: `${above}px ${below}px` }}
      >
        <thead>
          <tr>
            <th scope="col" className={classes.mark}>
              <input
                type="checkbox"
                aria-label="Mark all that are shown"
                checked={everyOne}
                onChange={() => marks.set(everyOne ? [] : rows.map((r) => r.token.path))}
              />
            </th>
            <th scope="col">{head}</th>
            {columns.map((column) => (
              <th key={column.id} scope="col">
                {column.head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {items.map((item) => {
            const row = rows[item.index];
            if (!row) return null;
            return (
              <LedgerRow
                key={item.key}
                ref={virtual.measureElement}
                index={item.index}
                row={row}
                columns={columns}
                name={names[row.token.path] ?? row.token.path}
                chosen={row.token.path === chosen}
                marked={marks.paths.has(row.token.path)}
                onChoose={onChoose}
                onMark={marks.mark}
              />
            );
          })}
        </tbody>
      </table>
      {empty && <p className={classes.none}>No token fits. Clear a filter.</p>}
    </section>
  );
}

/** The height of a row, once it is laid out anyway: it is never laid out to be measured. */
function heightOf(
  row: Element,
  laid: ResizeObserverEntry | undefined,
  list: Virtualizer<HTMLElement, Element>,
) {
  if (laid) return measureElement(row, laid, list);
  return list.itemSizeCache.get(list.options.getItemKey(list.indexFromElement(row))) ?? ROW;
}
