import { NativeSelect, TextInput } from "@mantine/core";
import { useNavigate, useSearch } from "@tanstack/react-router";
import { useCallback, useDeferredValue, useMemo, useState } from "react";
import { useEditorState } from "../../editor/EditorProvider";
import { toggleContrast, useShown } from "../../editor/level";
import { hasMoreOf } from "../../editor/selectors";
import { useLineage } from "../../lineage/useLineage";
import { later } from "../../ui/later";
import { Tick } from "../../ui/Tick";
import { AddToken } from "./AddToken";
import { ColumnChoice } from "./ColumnChoice";
import classes from "./Ledger.module.css";
import { LedgerTable } from "./LedgerTable";
import { NamesAs } from "./NamesAs";
import { type Filter, filtered, groupsOf, makeRows } from "./rows";
import { useColumns } from "./useColumns";
import { useMarks } from "./useMarks";
import { useNames } from "./useNames";

const ORIGINS = ["set", "derived", "inherited"];
const ManyRows = later(() => import("./ManyRows").then((m) => m.ManyRows));
const TokenDetail = later(() => import("./TokenDetail").then((m) => m.TokenDetail));

/** In a child: its own, its parent's, or what follows from its own. */
const WHOSE = ["own", "inherited", "derived"];
const NONE: string[] = [];

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
  const marks = useMarks(shown);
  const marked = rows.filter((r) => marks.paths.has(r.token.path));
  const { columns, toggle } = useColumns();
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
        <Tick label="below a limit" checked={failing ?? false} onTick={(on) => setFailing(on)} />
        <Tick label="with a finding" checked={onlyFound} onTick={(on) => setOnlyFound(on)} />
        {hasMore && (
          <Tick
            label="more contrast"
            title="Values for people who ask their system for more contrast, to read and to set"
            checked={level === "more"}
            onTick={toggleContrast}
          />
        )}
        <ColumnChoice shown={columns} onToggle={toggle} />
        <output>
          {shown.length} of {rows.length}
        </output>
      </div>
      <LedgerTable
        rows={shown}
        columns={columns}
        marks={marks}
        empty={rows.length > 0 && shown.length === 0}
        names={names}
        chosen={chosen}
        onChoose={choose}
        head={<NamesAs targets={targets} target={target} onTake={take} />}
      />
      {marked.length > 0 && <ManyRows rows={marked} onLetGo={() => marks.set([])} />}
      {detail && <TokenDetail row={detail} name={names[detail.token.path]} onChoose={choose} />}
      <AddToken />
    </div>
  );
}
