import { memo, type Ref } from "react";
import classes from "./Ledger.module.css";
import { originsOf, type Row } from "./rows";
import { ValueCell } from "./ValueCell";

interface Props {
  /** Measures the row. */
  ref: Ref<HTMLTableRowElement>;
  index: number;
  row: Row;
  /** Its path, or how it is called in the target at hand. */
  name: string;
  chosen: boolean;
  onChoose: (path: string) => void;
}

function PlainLedgerRow({ ref, index, row, name, chosen, onChoose }: Props) {
  const { token, ratio } = row;
  return (
    <tr ref={ref} className={classes.row} aria-selected={chosen} aria-rowindex={index + 2} data-index={index}>
      <th scope="row">
        <button
          type="button"
          className={classes.path}
          title={token.path}
          onClick={() => onChoose(token.path)}
        >
          {name}
        </button>
      </th>
      {token.dark ? (
        <>
          <td>
            <ValueCell token={token} mode="light" />
          </td>
          <td>
            <ValueCell token={token} mode="dark" />
          </td>
        </>
      ) : (
        <td colSpan={2}>
          <ValueCell token={token} mode="light" />
        </td>
      )}
      <td className={classes.ratio}>
        <Ratio mode="light" of={ratio.light} /> <Ratio mode="dark" of={ratio.dark} />
      </td>
      <td className={classes.origin}>{originsOf(row).join(", ")}</td>
    </tr>
  );
}

function Ratio({ mode, of }: { mode: string; of: { ratio: number; need: number } | undefined }) {
  if (!of) return null;
  const fails = of.ratio < of.need;
  return (
    <span className={fails ? classes.failing : undefined} title={`${mode}: needs ${of.need} : 1`}>
      {fails ? "▼" : ""}
      {(Math.floor(of.ratio * 10) / 10).toFixed(1)}
    </span>
  );
}

export const LedgerRow = memo(PlainLedgerRow);
