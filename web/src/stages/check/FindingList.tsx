import { useSearch } from "@tanstack/react-router";
import { useState } from "react";
import { findingKey } from "../../api/check";
import type { Finding, Token } from "../../api/client";
import { useEditor } from "../../editor/EditorProvider";
import { counted } from "../../ui/counted";
import { useGradually } from "../../ui/useGradually";
import classes from "./CheckStage.module.css";
import { FindingItem } from "./FindingItem";

/** Findings by what matters most; notes and what was accepted are folded. */
export function FindingList({ findings, tokens }: { findings: Finding[]; tokens: Map<string, Token> }) {
  const accepted = findings.filter((f) => f.accepted);
  const group = (severity: Finding["severity"], unfolded: boolean) => {
    const own = findings.filter((f) => !f.accepted && f.severity === severity);
    return <Group title={counted(own.length, severity)} findings={own} tokens={tokens} unfolded={unfolded} />;
  };
  return (
    <section aria-label="Findings">
      {group("error", true)}
      {group("warning", true)}
      {group("note", false)}
      <Group title={`${accepted.length} accepted`} findings={accepted} tokens={tokens} />
    </section>
  );
}

/** Kinds of which several can be mended at once, with how many. */
function kindsOf(findings: Finding[]): [string, number][] {
  const counts = new Map<string, number>();
  for (const { id, fix, accepted } of findings)
    if (fix && !accepted) counts.set(id, (counts.get(id) ?? 0) + 1);
  return [...counts].filter(([, count]) => count > 1);
}

/** Findings of a group that are shown until somebody asks for more. */
const SHOWN = 40;
/** Findings that are drawn in one go. */
const AT_ONCE = 10;

interface GroupProps {
  title: string;
  findings: Finding[];
  tokens: Map<string, Token>;
  unfolded?: boolean;
}

function Group({ title, findings, tokens, unfolded = false }: GroupProps) {
  const editor = useEditor();
  const { finding: wanted } = useSearch({ strict: false });
  const place = findings.findIndex((f) => findingKey(f) === wanted);
  const [most, setMost] = useState(SHOWN);
  const [shown, setShown] = useState(unfolded);
  // What was looked for is unfolded once; it can be folded again.
  const [opened, setOpened] = useState<string>();
  if (place >= 0 && wanted !== opened) {
    setOpened(wanted);
    setShown(true);
    setMost((most) => Math.max(most, place + 1));
  }
  const drawn = useGradually(Math.min(most, findings.length), AT_ONCE);
  const rest = findings.length - most;
  if (findings.length === 0) return null;
  return (
    <>
      <h2 className={classes.title}>
        <button type="button" aria-expanded={shown} onClick={() => setShown((s) => !s)}>
          {title}
        </button>
        {kindsOf(findings).map(([kind, count]) => (
          <button
            key={kind}
            type="button"
            className={classes.all}
            title={`Mends every finding of the kind ${kind} that can be mended without harm`}
            onClick={() => void editor.change({ do: "mend-findings", kind }, `mended: ${kind}, all`)}
          >
            mend all {count} of {kind}
          </button>
        ))}
      </h2>
      {shown && (
        <ul className={classes.list}>
          {findings.slice(0, Math.max(drawn, place + 1)).map((finding) => (
            <FindingItem
              key={`${findingKey(finding)} ${finding.message}`}
              finding={finding}
              tokens={tokens}
              wanted={findingKey(finding) === wanted}
            />
          ))}
        </ul>
      )}
      {shown && rest > 0 && (
        <button type="button" className={classes.rest} onClick={() => setMost((most) => most + SHOWN)}>
          show {Math.min(rest, SHOWN)} more of {rest}
        </button>
      )}
    </>
  );
}
