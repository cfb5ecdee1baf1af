import { useState } from "react";
import type { Finding, Token } from "../../api/client";
import classes from "./CheckStage.module.css";
import { FindingItem } from "./FindingItem";

const TITLES = { error: "Errors", warning: "Warnings", note: "Notes" } as const;

/** Findings by what matters most; notes and what was accepted are folded. */
export function FindingList({ findings, tokens }: { findings: Finding[]; tokens: Token[] }) {
  const open = findings.filter((f) => !f.accepted);
  const accepted = findings.filter((f) => f.accepted);
  return (
    <section aria-label="Findings">
      {(["error", "warning"] as const).map((severity) => (
        <Group
          key={severity}
          title={TITLES[severity]}
          findings={open.filter((f) => f.severity === severity)}
          tokens={tokens}
          unfolded
        />
      ))}
      <Group title={TITLES.note} findings={open.filter((f) => f.severity === "note")} tokens={tokens} />
      <Group title="Accepted" findings={accepted} tokens={tokens} />
    </section>
  );
}

interface GroupProps {
  title: string;
  findings: Finding[];
  tokens: Token[];
  unfolded?: boolean;
}

function Group({ title, findings, tokens, unfolded = false }: GroupProps) {
  const [shown, setShown] = useState(unfolded);
  if (findings.length === 0) return null;
  return (
    <>
      <h2 className={classes.title}>
        <button type="button" aria-expanded={shown} onClick={() => setShown((s) => !s)}>
          {findings.length}{" "}
          {findings.length === 1 ? title.toLowerCase().replace(/s$/, "") : title.toLowerCase()}
        </button>
      </h2>
      {shown && (
        <ul className={classes.list}>
          {findings.map((finding) => (
            <FindingItem
              key={`${finding.id} ${finding.mode} ${finding.tokens.join(" ")} ${finding.message}`}
              finding={finding}
              tokens={tokens}
            />
          ))}
        </ul>
      )}
    </>
  );
}
