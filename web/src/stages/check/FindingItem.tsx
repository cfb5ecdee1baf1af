import { useEffect, useRef, useState } from "react";
import { cellOf } from "../../api/cellOf";
import { findingKey, shownMode } from "../../api/check";
import type { Finding, ThemeDocument, Token } from "../../api/client";
import { useEditor, useEditorState } from "../../editor/EditorProvider";
import { accept, countAgain, isAccepted } from "../../editor/edits";
import { landing } from "../../ui/arrive";
import { Sentence } from "../../ui/Sentence";
import { Swatch } from "../../ui/Swatch";
import { useGoTo } from "../../ui/useGoTo";
import classes from "./CheckStage.module.css";
import { mended } from "./mended";

interface Props {
  finding: Finding;
  /** Tokens by their paths. */
  tokens: Map<string, Token>;
  /** Whether it is the one that was looked for. */
  wanted: boolean;
}

/** A finding: the two colours at work as they are, the sentence, and what mends it with its outcome. */
export function FindingItem({ finding, tokens, wanted }: Props) {
  const editor = useEditor();
  const goTo = useGoTo();
  const [accepting, setAccepting] = useState(false);
  const [reason, setReason] = useState("");
  const mode = shownMode(finding);
  const item = useRef<HTMLLIElement>(null);
  useEffect(() => {
    if (wanted) item.current?.scrollIntoView({ block: "nearest" });
  }, [wanted]);
  // What a parent accepted is counted again there.
  const own = useEditorState((state) => isAccepted(state.document, finding));
  const [first, second] = finding.tokens.map((path) => cellOf(tokens.get(path), mode)?.value);
  const { fix } = finding;
  const mend = (document: ThemeDocument) => mended(document, finding);
  return (
    <li
      ref={item}
      className={classes.finding}
      {...landing("finding", findingKey(finding))}
      tabIndex={-1}
      data-severity={finding.severity}
      data-wanted={wanted || undefined}
    >
      <div className={classes.samples}>
        <Sample id={finding.id} over={first} ground={second} />
        {fix?.becomes && <Sample id={finding.id} over={fix.becomes} ground={second} after />}
      </div>
      <div>
        <p>
          <Sentence text={finding.message} />
        </p>
        <p className={classes.acts}>
          {fix && (
            <button
              type="button"
              className={classes.apply}
              onPointerEnter={() => editor.draft(mend)}
              onPointerLeave={() => editor.discard()}
              onFocus={() => editor.draft(mend)}
              onBlur={() => editor.discard()}
              onClick={() => void editor.commit(mend, fix.label)}
            >
              <Swatch colors={[fix.becomes ?? undefined]} />
              {fix.label}
            </button>
          )}
          {finding.accepted ? (
            <>
              <span>
                accepted{own ? "" : " by what it extends"}: {finding.accepted}
              </span>
              {own && (
                <button
                  type="button"
                  onClick={() =>
                    void editor.commit(
                      (document) => countAgain(document, finding),
                      `no longer accepted: ${finding.message}`,
                    )
                  }
                >
                  count again
                </button>
              )}
            </>
          ) : (
            finding.severity !== "note" && (
              <button type="button" aria-expanded={accepting} onClick={() => setAccepting((a) => !a)}>
                accept …
              </button>
            )
          )}
          {finding.id === "form" && (
            <button type="button" onClick={() => goTo("handoff", { side: "forms" })}>
              show the forms
            </button>
          )}
          {finding.tokens[0]?.includes(".") && (
            <button type="button" onClick={() => goTo("ledger", { token: finding.tokens[0] })}>
              show {finding.tokens[0]}
            </button>
          )}
        </p>
        {accepting && (
          <form
            className={classes.acts}
            onSubmit={(e) => {
              e.preventDefault();
              if (reason.trim()) {
                void editor.commit(
                  (document) => accept(document, finding, reason),
                  `accepted: ${finding.message}`,
                );
              }
            }}
          >
            <input
              aria-label="Why it may stand"
              placeholder="why it may stand"
              maxLength={200}
              value={reason}
              onChange={(e) => setReason(e.currentTarget.value)}
            />
            <button type="submit" disabled={reason.trim() === ""}>
              accept
            </button>
          </form>
        )}
        <p className={classes.rule}>{finding.rule}</p>
      </div>
    </li>
  );
}

/** Text on its ground where that is what is wrong, else the two colours side by side. */
function Sample({
  id,
  over,
  ground,
  after = false,
}: {
  id: string;
  over?: string;
  ground?: string;
  after?: boolean;
}) {
  if (!over) return null;
  const written = id === "contrast";
  return (
    <span
      className={classes.sample}
      data-after={after || undefined}
      aria-hidden="true"
      style={
        written
          ? { color: over, background: ground }
          : { background: `linear-gradient(90deg, ${over} 50%, ${ground ?? over} 50%)` }
      }
    >
      {written ? "Aa 123" : ""}
    </span>
  );
}
