import { useNavigate } from "@tanstack/react-router";
import { applyPatch, type Operation } from "fast-json-patch";
import { useState } from "react";
import type { Finding, Mode, ThemeDocument, Token } from "../../api/client";
import { useEditor } from "../../editor/EditorProvider";
import { Sentence } from "../../ui/Sentence";
import { Swatch } from "../../ui/Swatch";
import classes from "./CheckStage.module.css";

interface Props {
  finding: Finding;
  tokens: Token[];
}

const valueIn = (token: Token | undefined, mode: Mode) =>
  token && (mode === "dark" ? (token.dark ?? token.light) : token.light).value;

/** A finding: the two colours at work as they are, the sentence, and what mends it with its outcome. */
export function FindingItem({ finding, tokens }: Props) {
  const editor = useEditor();
  const navigate = useNavigate();
  const [accepting, setAccepting] = useState(false);
  const [reason, setReason] = useState("");
  const mode = finding.mode ?? "light";
  const [first, second] = finding.tokens.map((path) =>
    valueIn(
      tokens.find((t) => t.path === path),
      mode,
    ),
  );
  const { fix } = finding;
  const mended = (document: ThemeDocument): ThemeDocument => {
    const copy = structuredClone(document);
    // A patch that no longer fits what somebody else changed meanwhile changes nothing.
    try {
      return applyPatch(copy, (fix?.patch ?? []) as unknown as Operation[], true).newDocument;
    } catch {
      return document;
    }
  };
  const accept = () =>
    editor.commit(
      (document) => ({
        ...document,
        accepted: [
          ...(document.accepted ?? []),
          {
            id: finding.id,
            tokens: finding.tokens,
            ...(finding.mode && { mode: finding.mode }),
            reason,
            measure: finding.measure,
          },
        ],
      }),
      `accepted: ${finding.message}`,
    );
  const restore = () =>
    editor.commit(
      (document) => ({
        ...document,
        accepted: document.accepted?.filter(
          (a) =>
            a.id !== finding.id ||
            a.tokens.join() !== finding.tokens.join() ||
            (a.mode ?? null) !== finding.mode,
        ),
      }),
      `no longer accepted: ${finding.message}`,
    );
  return (
    <li className={classes.finding} data-severity={finding.severity}>
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
              onPointerEnter={() => editor.draft(mended)}
              onPointerLeave={() => editor.discard()}
              onFocus={() => editor.draft(mended)}
              onBlur={() => editor.discard()}
              onClick={() => void editor.commit(mended, fix.label)}
            >
              <Swatch colors={[fix.becomes ?? undefined]} />
              {fix.label}
            </button>
          )}
          {finding.accepted ? (
            <>
              <span>accepted: {finding.accepted}</span>
              <button type="button" onClick={() => void restore()}>
                count again
              </button>
            </>
          ) : (
            finding.severity !== "note" && (
              <button type="button" aria-expanded={accepting} onClick={() => setAccepting((a) => !a)}>
                accept …
              </button>
            )
          )}
          {finding.tokens[0]?.includes(".") && (
            <button
              type="button"
              onClick={() =>
                void navigate({
                  to: "/themes/$slug/$stage",
                  params: (p) => ({ slug: p.slug ?? "", stage: "ledger" }),
                  search: (s) => ({ ...s, token: finding.tokens[0] }),
                })
              }
            >
              show {finding.tokens[0]}
            </button>
          )}
        </p>
        {accepting && (
          <form
            className={classes.acts}
            onSubmit={(e) => {
              e.preventDefault();
              if (reason.trim()) void accept();
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
