import { useLocalStorage } from "@mantine/hooks";
import { useMemo } from "react";
import { COLUMNS, type Column } from "./columns";

const USUAL = COLUMNS.filter((c) => c.usual).map((c) => c.id);

/** The columns that somebody wants to see, kept in this browser. */
export function useColumns(): { columns: Column[]; toggle: (id: string) => void } {
  const [ids, setIds] = useLocalStorage({
    key: "rhodon-ledger-columns",
    defaultValue: USUAL,
    getInitialValueInEffect: false,
  });
  const columns = useMemo(() => COLUMNS.filter((c) => ids.includes(c.id)), [ids]);
  const toggle = (id: string) =>
    setIds((known) => (known.includes(id) ? known.filter((k) => k !== id) : [...known, id]));
  return { columns, toggle };
}
