import { type MouseEvent, memo, type Ref } from "react";
import type { Column } from "./columns";
import classes from "./Ledger.module.css";
import type { Row } from "./rows";
import type { Marks } from "./useMarks";
import { ValueCell } from "./ValueCell";

interface Props {
  /** Measures the row. */
  ref: Ref<HTMLTableRowElement>;
  index: number;
  row: Row;
  columns: Column[];
  /** Its path, or how it is called in the target at hand. */
  name: string;
  chosen: boolean;
  marked: boolean;
  onChoose: (path: string) => void;
  onMark: Marks["mark"];
}

function PlainLedgerRow({ ref, index, row, columns, name, chosen, marked, onChoose, onMark }: Props) {
  const { token } = row;
  const { path } = token;
  const press = (event: MouseEvent) => {
    if (event.shiftKey) onMark(path, "range");
    else if (event.ctrlKey || event.metaKey) onMark(path, "one");
    else onChoose(path);
  };
  // One value for both modes stands across both columns.
  const isOne = !token.dark && columns[0]?.id === "light" && columns[1]?.id === "dark";
  return (
    <tr
      ref={ref}
      className={classes.row}
      aria-label={name}
      aria-selected={chosen}
      aria-rowindex={index + 2}
      data-index={index}
      data-marked={marked || undefined}
    >
      <td className={classes.mark}>
        <input
          type="checkbox"
          aria-label={`Mark ${path}`}
          checked={marked}
          onChange={() => undefined}
          onClick={(e) => onMark(path, e.shiftKey ? "range" : "one")}
        />
      </td>
      <th scope="row">
        <button type="button" className={classes.path} title={path} onClick={press}>
          {name}
        </button>
      </th>
      {isOne && (
        <td colSpan={2}>
          <ValueCell token={token} mode="light" />
        </td>
      )}
      {columns.slice(isOne ? 2 : 0).map((column) => (
        <td key={column.id} className={column.className}>
          {column.cell(row)}
        </td>
      ))}
    </tr>
  );
}

export const LedgerRow = memo(PlainLedgerRow);
