import { Checkbox, NativeSelect, TextInput } from "@mantine/core";
import { useNavigate, useSearch } from "@tanstack/react-router";
import { useCallback, useDeferredValue, useEffect, useMemo, useState } from "react";
import { useTheEditor } from "../../editor/EditorContext";
import { AddToken } from "./AddToken";
import classes from "./Ledger.module.css";
import { LedgerRow } from "./LedgerRow";
import { type Filter, filtered, groupsOf, makeRows } from "./rows";
import { TokenDetail } from "./TokenDetail";
import { useNames } from "./useNames";

const ORIGINS = ["set", "derived", "inherited"];

/** Every token in both modes, to read, to search and to edit in place. */
export function LedgerStage() {
  const { preview } = useTheEditor();
  const { token: chosen } = useSearch({ from: "/themes/$slug" });
  const navigate = useNavigate();
  const [filter, setFilter] = useState<Filter>({ word: "", origin: "", group: "", failing: false });
  const late = useDeferredValue(filter);
  const derived = preview?.derived;
  const rows = useMemo(() => (derived ? makeRows(derived) : []), [derived]);
  const { targets, target, names, take } = useNames();
  const shown = useMemo(() => filtered(rows, late, names), [rows, late, names]);
  const set = (change: Partial<Filter>) => setFilter((f) => ({ ...f, ...change }));
  const choose = useCallback(
    (path: string) => void navigate({ to: ".", search: (s) => ({ ...s, token: path }) }),
    [navigate],
  );
  const known = rows.length > 0;
  useEffect(() => {
    if (known && chosen) document.getElementById(`token-${chosen}`)?.scrollIntoView({ block: "center" });
  }, [known, chosen]);
  const detail = rows.find((r) => r.token.path === chosen);

  return (
    <div className={classes.stage}>
      <h1 className="visually-hidden">Ledger</h1>
      <div className={classes.filters}>
        <TextInput
          size="xs"
          aria-label="Search tokens"
          placeholder="Search by name, value or reference"
          className={classes.search}
          value={filter.word}
          onChange={(e) => set({ word: e.currentTarget.value })}
        />
        <NativeSelect
          size="xs"
          aria-label="Group"
          data={[{ value: "", label: "every group" }, ...groupsOf(rows)]}
          value={filter.group}
          onChange={(e) => set({ group: e.currentTarget.value })}
        />
        <NativeSelect
          size="xs"
          aria-label="Origin"
          data={[{ value: "", label: "every origin" }, ...ORIGINS]}
          value={filter.origin}
          onChange={(e) => set({ origin: e.currentTarget.value })}
        />
        <Checkbox
          size="xs"
          label="below a limit"
          checked={filter.failing}
          onChange={(e) => set({ failing: e.currentTarget.checked })}
        />
        <output>
          {shown.length} of {rows.length}
        </output>
      </div>
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: a region that scrolls must be reachable by keyboard */}
      <section className={classes.scroll} tabIndex={0} aria-label="Tokens">
        <table className={classes.table}>
          <thead>
            <tr>
              <th scope="col">
                <select
                  className={classes.names}
                  aria-label="Names as in"
                  value={target?.id ?? ""}
                  onChange={(e) => take(e.currentTarget.value)}
                >
                  <option value="">Token</option>
                  {targets.map((t) => (
                    <option key={t.id} value={t.id}>
                      {t.name}
                    </option>
                  ))}
                </select>
              </th>
              <th scope="col">Light</th>
              <th scope="col">Dark</th>
              <th scope="col">Ratio</th>
              <th scope="col">Origin</th>
            </tr>
          </thead>
          <tbody>
            {shown.map((row) => (
              <LedgerRow
                key={row.token.path}
                row={row}
                name={names[row.token.path] ?? row.token.path}
                chosen={row.token.path === chosen}
                onChoose={choose}
              />
            ))}
          </tbody>
        </table>
        {known && shown.length === 0 && <p className={classes.none}>No token fits. Clear a filter.</p>}
      </section>
      {detail && <TokenDetail row={detail} name={names[detail.token.path]} onChoose={choose} />}
      <AddToken />
    </div>
  );
}
