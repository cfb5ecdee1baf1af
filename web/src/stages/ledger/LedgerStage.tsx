import { Checkbox, NativeSelect, TextInput } from "@mantine/core";
import { useNavigate, useSearch } from "@tanstack/react-router";
import { useVirtualizer } from "@tanstack/react-virtual";
import { useCallback, useDeferredValue, useEffect, useMemo, useRef, useState } from "react";
import type { Target } from "../../api/client";
import { useEditorState } from "../../editor/EditorProvider";
import { toggleContrast, useShown } from "../../editor/level";
import { hasMoreOf } from "../../editor/selectors";
import { useLineage } from "../../lineage/useLineage";
import { AddToken } from "./AddToken";
import classes from "./Ledger.module.css";
import { LedgerRow } from "./LedgerRow";
import { type Filter, filtered, groupsOf, makeRows, type Row } from "./rows";
import { TokenDetail } from "./TokenDetail";
import { useNames } from "./useNames";

const ORIGINS = ["set", "derived", "inherited"];
/** In a child: its own, its parent's, or what follows from its own. */
const WHOSE = ["own", "inherited", "derived"];
/** Height of a row in px, before it is measured. */
const ROW = 25;
const NONE: string[] = [];
/** Rows drawn beyond what is seen. */
const BEYOND = 12;

/** Every token in both modes, to read, to search and to edit in place. */
export default function LedgerStage() {
  const { level, derived } = useShown();
  const hasMore = useEditorState(hasMoreOf);
  const { token: chosen, failing } = useSearch({ from: "/themes/$slug" });
  const navigate = useNavigate();
  const [own, setFilter] = useState<Omit<Filter, "failing">>({ word: "", origin: "", group: "" });
  const atFault = useEditorState((s) => s.preview?.counts.tokens);
  const [onlyFound, setOnlyFound] = useState(false);
  const found = onlyFound ? (atFault ?? NONE) : undefined;
  const filter = useDeferredValue(
    useMemo(() => ({ ...own, failing: failing ?? false, found }), [own, failing, found]),
  );
  const lineage = useLineage();
  const rows = useMemo(() => (derived ? makeRows(derived, lineage?.cells) : []), [derived, lineage?.cells]);
  const { targets, target, names, take } = useNames();
  const shown = useMemo(() => filtered(rows, filter, names), [rows, filter, names]);
  const set = (change: Partial<typeof own>) => setFilter((f) => ({ ...f, ...change }));
  const choose = useCallback(
    (path: string) => void navigate({ to: ".", search: (s) => ({ ...s, token: path }) }),
    [navigate],
  );
  const setFailing = (on: boolean) =>
    void navigate({ to: ".", search: (s) => ({ ...s, failing: on || undefined }) });
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
          value={own.word}
          onChange={(e) => set({ word: e.currentTarget.value })}
        />
        <NativeSelect
          size="xs"
          aria-label="Group"
          data={[{ value: "", label: "every group" }, ...groupsOf(rows)]}
          value={own.group}
          onChange={(e) => set({ group: e.currentTarget.value })}
        />
        <NativeSelect
          size="xs"
          aria-label="Origin"
          data={[{ value: "", label: "every origin" }, ...(lineage?.parent ? WHOSE : ORIGINS)]}
          value={own.origin}
          onChange={(e) => set({ origin: e.currentTarget.value })}
        />
        <Checkbox
          size="xs"
          label="below a limit"
          checked={failing ?? false}
          onChange={(e) => setFailing(e.currentTarget.checked)}
        />
        <Checkbox
          size="xs"
          label="with a finding"
          checked={onlyFound}
          onChange={(e) => setOnlyFound(e.currentTarget.checked)}
        />
        {hasMore && (
          <Checkbox
            size="xs"
            label="more contrast"
            title="Values for people who ask their system for more contrast, to read and to set"
            checked={level === "more"}
            onChange={toggleContrast}
          />
        )}
        <output>
          {shown.length} of {rows.length}
        </output>
      </div>
      <Rows
        rows={shown}
        empty={rows.length > 0 && shown.length === 0}
        names={names}
        chosen={chosen}
        onChoose={choose}
        head={<NamesAs targets={targets} target={target} onTake={take} />}
      />
      {detail && <TokenDetail row={detail} name={names[detail.token.path]} onChoose={choose} />}
      <AddToken />
    </div>
  );
}

interface RowsProps {
  rows: Row[];
  empty: boolean;
  names: Record<string, string>;
  chosen: string | undefined;
  onChoose: (path: string) => void;
  /** Head of the first column. */
  head: React.ReactNode;
}

/** The table; of a long list only what is near the window is drawn. */
function Rows({ rows, empty, names, chosen, onChoose, head }: RowsProps) {
  const frame = useRef<HTMLElement>(null);
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => frame.current,
    estimateSize: () => ROW,
    getItemKey: (i) => rows[i]?.token.path ?? i,
    overscan: BEYOND,
  });
  const index = rows.findIndex((r) => r.token.path === chosen);
  const reached = useRef<string>(undefined);
  useEffect(() => {
    if (index < 0 || reached.current === chosen) return;
    reached.current = chosen;
    virtual.scrollToIndex(index, { align: "center" });
  }, [index, chosen, virtual]);
  const items = virtual.getVirtualItems();
  const above = items[0]?.start ?? 0;
  const below = virtual.getTotalSize() - (items[items.length - 1]?.end ?? 0);
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: a region that scrolls must be reachable by keyboard
    <section ref={frame} className={classes.scroll} tabIndex={0} aria-label="Tokens">
      <table
        className={classes.table}
        aria-rowcount={rows.length + 1}
        style={{ marginBlock: `${above}px ${below}px` }}
      >
        <thead>
          <tr>
            <th scope="col">{head}</th>
            <th scope="col">Light</th>
            <th scope="col">Dark</th>
            <th scope="col">
              Ratio <small>light, dark</small>
            </th>
            <th scope="col">Origin</th>
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
                name={names[row.token.path] ?? row.token.path}
                chosen={row.token.path === chosen}
                onChoose={onChoose}
              />
            );
          })}
        </tbody>
      </table>
      {empty && <p className={classes.none}>No token fits. Clear a filter.</p>}
    </section>
  );
}

interface NamesAsProps {
  targets: Target[];
  target: Target | undefined;
  onTake: (id: string) => void;
}

/** In whose words tokens are told. */
function NamesAs({ targets, target, onTake }: NamesAsProps) {
  return (
    <select
      className={classes.names}
      aria-label="Names as in"
      value={target?.id ?? ""}
      onChange={(e) => onTake(e.currentTarget.value)}
    >
      <option value="">Token</option>
      {targets.map((t) => (
        <option key={t.id} value={t.id}>
          {t.name}
        </option>
      ))}
    </select>
  );
}
