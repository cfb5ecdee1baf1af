import type { Mode } from "../../api/client";
import classes from "./Ledger.module.css";
import { originsOf, type Row } from "./rows";
import { ValueCell } from "./ValueCell";

/** A column of the ledger. A new one is one entry here. */
export interface Column {
  id: string;
  name: string;
  head: React.ReactNode;
  /** Whether it is shown until somebody chooses. */
  usual: boolean;
  className?: string;
  cell: (row: Row) => React.ReactNode;
}

const value = (mode: Mode): Column => ({
  id: mode,
  name: mode === "light" ? "Light" : "Dark",
  head: mode === "light" ? "Light" : "Dark",
  usual: true,
  cell: ({ token }) => <ValueCell token={token} mode={token.dark ? mode : "light"} />,
});

export const COLUMNS: Column[] = [
  value("light"),
  value("dark"),
  {
    id: "ratio",
    name: "Ratio",
    head: (
      <>
        Ratio <small>light, dark</small>
      </>
    ),
    usual: true,
    className: classes.ratio,
    cell: ({ ratio }) => (
      <>
        <Ratio mode="light" of={ratio.light} /> <Ratio mode="dark" of={ratio.dark} />
      </>
    ),
  },
  {
    id: "origin",
    name: "Origin",
    head: "Origin",
    usual: true,
    className: classes.origin,
    cell: (row) => originsOf(row).join(", "),
  },
  {
    id: "uses",
    name: "Used by",
    head: "Used by",
    usual: false,
    className: classes.origin,
    cell: ({ usedBy }) => <span title={usedBy.join(", ")}>{usedBy.length || ""}</span>,
  },
  {
    id: "css",
    name: "Custom property",
    head: "Custom property",
    usual: false,
    className: classes.mono,
    cell: ({ token }) => token.css,
  },
  {
    id: "why",
    name: "Why",
    head: "Why, in light",
    usual: false,
    className: classes.why,
    cell: ({ token }) => <span title={token.light.reason}>{token.light.reason}</span>,
  },
];

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
