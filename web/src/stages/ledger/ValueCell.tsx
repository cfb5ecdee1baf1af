import { type FormEvent, type KeyboardEvent, useState } from "react";
import { answer, api, refusalIn, type Token } from "../../api/client";
import { useTheEditor } from "../../editor/EditorContext";
import { type Edit, type Mode, setToken } from "../../editor/edits";
import classes from "./Ledger.module.css";

interface Props {
  token: Token;
  mode: Mode;
}

/** One value, edited in place: a colour, a `{reference}`, or back to derived. */
export function ValueCell({ token, mode }: Props) {
  const { spec, commit } = useTheEditor();
  const [text, setText] = useState<string>();
  const [refusal, setRefusal] = useState<string>();
  const cell = mode === "dark" ? (token.dark ?? token.light) : token.light;
  const editable = token.section === "roles" || token.section === "own" || token.section === "scales";
  const written = cell.alias ? `{${cell.alias}}` : cell.value;

  const stop = () => {
    setText(undefined);
    setRefusal(undefined);
  };
  const save = async (event: FormEvent) => {
    event.preventDefault();
    if (text === undefined || text.trim() === written) return stop();
    const change: Edit = (s) => setToken(s, token, mode, text.trim());
    try {
      // Nothing is saved that cannot be derived: what was typed stays until it can.
      await answer(api.POST("/api/derive", { body: { spec: change(spec) } }));
      stop();
      await commit(change, `${token.path} (${mode}): ${written} → ${text.trim()}`);
    } catch (error) {
      setRefusal(refusalIn(error));
    }
  };
  const release = () =>
    void commit((s) => setToken(s, token, mode, undefined), `${token.path} (${mode}): back to derived`);
  const press = (event: KeyboardEvent) => {
    if (event.key === "Escape") stop();
  };

  if (text !== undefined) {
    return (
      <form className={classes.edit} onSubmit={save}>
        <input
          aria-label={`${token.path}, ${mode}`}
          aria-invalid={refusal !== undefined}
          // biome-ignore lint/a11y/noAutofocus: the field takes the place of the button that was pressed
          autoFocus
          spellCheck={false}
          value={text}
          onChange={(e) => {
            setText(e.currentTarget.value);
            setRefusal(undefined);
          }}
          onKeyDown={press}
        />
        {refusal && (
          <span className={classes.refusal} role="alert">
            {refusal}
          </span>
        )}
      </form>
    );
  }
  return (
    <span className={classes.value}>
      {token.kind === "color" && <span className={classes.swatch} style={{ background: cell.value }} />}
      <button
        type="button"
        className={classes.text}
        disabled={!editable}
        title={cell.reason}
        onClick={() => setText(written)}
      >
        {cell.alias ?? cell.value}
      </button>
      {cell.origin === "set" && token.section === "roles" && (
        <button
          type="button"
          className={classes.release}
          aria-label={`${token.path}, ${mode}: back to derived`}
          onClick={release}
        >
          ↺
        </button>
      )}
    </span>
  );
}
