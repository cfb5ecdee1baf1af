import { memo } from "react";
import classes from "./Ledger.module.css";
import type { Row } from "./rows";
import { ValueCell } from "./ValueCell";

interface Props {
  row: Row;
  /** Its path, or how it is called in the target at hand. */
  name: string;
  chosen: boolean;
  onChoose: (path: string) => void;
}

function PlainLedgerRow({ row, name, chosen, onChoose }: Props) {
  const { token, ratio } = row;
  return (
    <tr className={classes.row} aria-selected={chosen} id={`token-${token.path}`}>
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
        <Ratio of={ratio.light} /> <Ratio of={ratio.dark} />
      </td>
      <td className={classes.origin}>{originOf(row)}</td>
    </tr>
  );
}

function Ratio({ of }: { of: { ratio: number; need: number } | undefined }) {
  if (!of) return null;
  const fails = of.ratio < of.need;
  return (
    <span className={fails ? classes.failing : undefined} title={`needs ${of.need} : 1`}>
      {fails ? "▼" : ""}
      {(Math.floor(of.ratio * 10) / 10).toFixed(1)}
    </span>
  );
}

function originOf({ token }: Row): string {
  const origins = [token.light.origin, token.dark?.origin].filter(Boolean);
  return [...new Set(origins)].join(", ");
}

export const LedgerRow = memo(PlainLedgerRow);
