import { useEffect, useRef, useState } from "react";
import { cellOf } from "../../api/cellOf";
import type { Mode, Token } from "../../api/client";
import { useEditor, useEditorState } from "../../editor/EditorProvider";
import { atLevel, isSettable, setToken } from "../../editor/edits";
import { useLevel } from "../../editor/level";
import { Swatch } from "../../ui/Swatch";
import classes from "./Ledger.module.css";
import { ValueEdit } from "./ValueEdit";

interface Props {
  token: Token;
  mode: Mode;
}

/** One value, edited in place: a colour, a `{reference}`, or back to derived. */
export function ValueCell({ token, mode }: Props) {
  const editor = useEditor();
  const level = useLevel();
  const [editing, setEditing] = useState(false);
  const button = useRef<HTMLButtonElement>(null);
  const cell = cellOf(token, mode);
  // At more contrast a value that was set for the usual one may hold: it is not given back there.
  const isSetHere = useEditorState((s) => {
    if (level === "usual") return cell.origin === "set";
    return s.document.contrast?.roles?.[token.path]?.[mode] != null;
  });
  const wasEditing = useRef(false);
  useEffect(() => {
    // The keys go on from the value, unless they are elsewhere by now.
    if (wasEditing.current && !editing && document.activeElement === document.body) {
      button.current?.focus({ preventScroll: true });
    }
    wasEditing.current = editing;
  }, [editing]);
  const release = () =>
    void editor.commit(
      (d) => setToken(d, token, mode, undefined, level),
      `${token.path} (${atLevel(mode, level)}): back to derived`,
    );

  if (editing) {
    const written = cell.alias ? `{${cell.alias}}` : cell.value;
    return <ValueEdit token={token} mode={mode} written={written} onDone={() => setEditing(false)} />;
  }
  return (
    <span className={classes.value}>
      {token.kind === "color" && <Swatch colors={[cell.value]} />}
      <button
        type="button"
        ref={button}
        className={classes.text}
        disabled={!isSettable(token, level)}
        title={cell.reason}
        onClick={() => setEditing(true)}
      >
        {cell.alias ?? cell.value}
      </button>
      {isSetHere && token.section === "roles" && (
        <button
          type="button"
          className={classes.release}
          aria-label={`${token.path}, ${atLevel(mode, level)}: back to derived`}
          onClick={() => {
            button.current?.focus({ preventScroll: true });
            release();
          }}
        >
          ↺
        </button>
      )}
    </span>
  );
}
