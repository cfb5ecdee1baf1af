import { UnstyledButton } from "@mantine/core";
import { type FormEvent, type KeyboardEvent, useState } from "react";
import { answer, api, type Mode, refusalIn, type Token } from "../../api/client";
import { useEditor } from "../../editor/EditorProvider";
import { type Edit, setToken } from "../../editor/edits";
import { refusalOf } from "../../ui/refusal";
import { Swatch } from "../../ui/Swatch";
import classes from "./Ledger.module.css";

interface Props {
  token: Token;
  mode: Mode;
}

/** What was typed as a document writes it: one rule for colours at every field, hex without `#` too. */
export async function writtenValue(kind: Token["kind"], text: string): Promise<string> {
  const trimmed = text.trim();
  if (kind !== "color" || trimmed.startsWith("{")) return trimmed;
  return (await answer(api.POST("/api/color", { body: { text: trimmed } }))).css;
}

/** One value, edited in place: a colour, a `{reference}`, or back to derived. */
export function ValueCell({ token, mode }: Props) {
  const editor = useEditor();
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
    try {
      const value = await writtenValue(token.kind, text);
      const change: Edit = (d) => setToken(d, token, mode, value);
      const label = `${token.path} (${mode}): ${written} → ${value}`;
      // What was typed stays until it is taken.
      const { problem } = await editor.commit(change, label, { atField: true });
      if (problem) setRefusal(refusalOf(problem));
      else stop();
    } catch (error) {
      setRefusal(refusalIn(error));
    }
  };
  const release = () =>
    void editor.commit(
      (d) => setToken(d, token, mode, undefined),
      `${token.path} (${mode}): back to derived`,
    );
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
      {token.kind === "color" && <Swatch colors={[cell.value]} />}
      <UnstyledButton
        className={classes.text}
        disabled={!editable}
        title={cell.reason}
        onClick={() => setText(written)}
      >
        {cell.alias ?? cell.value}
      </UnstyledButton>
      {cell.origin === "set" && token.section === "roles" && (
        <UnstyledButton
          className={classes.release}
          aria-label={`${token.path}, ${mode}: back to derived`}
          onClick={release}
        >
          ↺
        </UnstyledButton>
      )}
    </span>
  );
}
