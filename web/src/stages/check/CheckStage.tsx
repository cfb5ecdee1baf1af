import { Switch } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useEffect, useMemo, useState } from "react";
import { checkQuery } from "../../api/check";
import type { Token } from "../../api/client";
import { useEditor, useEditorState } from "../../editor/EditorProvider";
import { useLevel, useShown } from "../../editor/level";
import { documentOf, hasMoreOf, tokensOf } from "../../editor/selectors";
import type { EditorState } from "../../editor/state";
import { useWhole } from "../../lineage/useLineage";
import { useMeasured } from "../../proof/shares";
import { counted } from "../../ui/counted";
import classes from "./CheckStage.module.css";
import { FindingList } from "./FindingList";
import { MatrixTable } from "./MatrixTable";

const NONE: Token[] = [];

/** What stands without a draft: a fix that is only tried changes nothing in the list. */
function useSettled<T>(select: (state: EditorState) => T): T {
  const now = useEditorState(select);
  const drafting = useEditorState((s) => s.status === "drafting");
  const [settled, setSettled] = useState(now);
  if (!drafting && settled !== now) setSettled(() => now);
  return settled;
}

/** How the level of more contrast stands, and whether it is made. */
function MoreContrast() {
  const editor = useEditor();
  const more = useSettled((s) => s.preview?.derived.more);
  const isMade = useWhole().contrast?.more !== false;
  const set = (on: boolean) =>
    void editor.commit(
      (d) => ({ ...d, contrast: { ...d.contrast, more: on } }),
      on ? "more contrast: made" : "more contrast: not made",
    );
  return (
    <p className={classes.more}>
      <Switch
        size="xs"
        label="more contrast for those who ask for it"
        checked={isMade}
        onChange={(e) => set(e.currentTarget.checked)}
      />
      {more && (
        <span>
          {more.readable === more.pairs
            ? `all ${more.pairs} pairs at 7 : 1, parts at 4.5 : 1`
            : `${more.readable} of ${more.pairs} pairs at 7 : 1, parts at 4.5 : 1`}
          {`; ${counted(more.cells.length, "value")} differ`}
        </span>
      )}
    </p>
  );
}

/** What is wrong with the theme, mended at a click, and the contrast of everything on everything. */
export default function CheckStage() {
  const spec = useSettled(documentOf);
  const tokens = useSettled(tokensOf) ?? NONE;
  const byPath = useMemo(() => new Map(tokens.map((token) => [token.path, token])), [tokens]);
  const level = useLevel();
  const hasMore = useEditorState(hasMoreOf);
  const { derived } = useShown();
  const { page: measured } = useMeasured();
  useEffect(() => {
    useMeasured.setState({ wanted: true });
    return () => useMeasured.setState({ wanted: false });
  }, []);
  const { data } = useQuery(checkQuery(spec, level, measured));
  if (!data) return <div className={classes.stage} aria-busy="true" />;
  const open = data.findings.filter((f) => !f.accepted);
  const counting = open.filter((f) => f.severity !== "note").length;
  const apart = !open.some((f) => f.id === "alike" && f.severity !== "note");
  return (
    <div className={classes.stage}>
      <h1 className={classes.sum}>
        {data.readable === data.pairs
          ? `${data.pairs} pairs readable in both modes`
          : `${data.readable} of ${data.pairs} pairs readable`}
        {level === "more" && " at more contrast"}
        {apart && ` · ${data.intents} intents apart`}
        {` · ${counted(counting, "finding")}`}
      </h1>
      <MoreContrast />
      <FindingList findings={data.findings} tokens={byPath} />
      <MatrixTable
        matrix={data.matrix}
        tokens={level === "usual" ? tokens : (derived?.tokens ?? tokens)}
        level={level}
        hasLevels={hasMore}
      />
    </div>
  );
}
