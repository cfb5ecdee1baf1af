import { UnstyledButton } from "@mantine/core";
import { type FormEvent, type KeyboardEvent, useState } from "react";
import { cellOf } from "../../api/cellOf";
import { type Mode, refusalIn, refusalOf, type Token } from "../../api/client";
import { writtenValue } from "../../api/writtenValue";
import { useEditor, useEditorState } from "../../editor/EditorProvider";
import { atLevel, type Edit, isSettable, setBrand, setToken } from "../../editor/edits";
import { useLevel } from "../../editor/level";
import type { EditorState } from "../../editor/store";
import { Swatch } from "../../ui/Swatch";
import classes from "./Ledger.module.css";

interface Props {
  token: Token;
  mode: Mode;
}

/** The brand colour that a step holds exactly, where it is the step that the colour stands at. */
function brandAt(state: EditorState, token: Token) {
  if (token.section !== "scales") return undefined;
  const scale = state.preview?.derived.scales.find((s) => s.steps[s.base]?.path === token.path);
  return state.document.brand?.find((b) => b.slug === scale?.slug);
}

/** One value, edited in place: a colour, a `{reference}`, or back to derived. */
export function ValueCell({ token, mode }: Props) {
  const editor = useEditor();
  const [text, setText] = useState<string>();
  const [refusal, setRefusal] = useState<string>();
  const cell = cellOf(token, mode);
  const level = useLevel();
  // At more contrast a value that was set for the usual one may hold: it is not given back there.
  const isSetHere = useEditorState((s) => {
    if (level === "usual") return cell.origin === "set";
    return s.document.contrast?.roles?.[token.path]?.[mode] != null;
  });
  const written = cell.alias ? `{${cell.alias}}` : cell.value;

  const [asked, setAsked] = useState<string>();
  // The step that is a brand colour itself: to set it is to change the colour, or to hold a second one.
  const brand = useEditorState((s) => brandAt(s, token));

  const stop = () => {
    setText(undefined);
    setRefusal(undefined);
    setAsked(undefined);
  };
  const take = async (change: Edit, value: string) => {
    const label = `${token.path} (${atLevel(mode, level)}): ${written} → ${value}`;
    // What was typed stays until it is taken.
    const { problem } = await editor.commit(change, label, { atField: true });
    if (problem) setRefusal(refusalOf(problem));
    else stop();
  };
  const save = async (event: FormEvent) => {
    event.preventDefault();
    if (text === undefined || text.trim() === written) return stop();
    try {
      const value = await writtenValue(token.kind, text);
      if (brand) setAsked(value);
      else await take((d) => setToken(d, token, mode, value, level), value);
    } catch (error) {
      setRefusal(refusalIn(error));
    }
  };
  const release = () =>
    void editor.commit(
      (d) => setToken(d, token, mode, undefined, level),
      `${token.path} (${atLevel(mode, level)}): back to derived`,
    );
  const press = (event: KeyboardEvent) => {
    if (event.key === "Escape") stop();
  };

  if (text !== undefined) {
    return (
      <form className={classes.edit} onSubmit={save}>
        <input
          aria-label={`${token.path}, ${atLevel(mode, level)}`}
          aria-invalid={refusal !== undefined}
          // biome-ignore lint/a11y/noAutofocus: the field takes the place of the button that was pressed
          autoFocus
          spellCheck={false}
          value={text}
          onChange={(e) => {
            setText(e.currentTarget.value);
            setRefusal(undefined);
            setAsked(undefined);
          }}
          onKeyDown={press}
        />
        {brand && asked && (
          <fieldset className={classes.asked} aria-label={`${token.path} is ${brand.name} itself`}>
            <span>
              {token.path} is {brand.name} itself.
            </span>
            <button
              type="button"
              onClick={() => void take((d) => setBrand(d, brand, { color: asked }), asked)}
            >
              <Swatch colors={[asked]} /> change {brand.name}
            </button>
            <button type="button" onClick={() => void take((d) => setToken(d, token, mode, asked), asked)}>
              <Swatch colors={[cell.value, asked]} /> hold both
            </button>
          </fieldset>
        )}
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
        disabled={!isSettable(token, level)}
        title={cell.reason}
        onClick={() => setText(written)}
      >
        {cell.alias ?? cell.value}
      </UnstyledButton>
      {isSetHere && token.section === "roles" && (
        <UnstyledButton
          className={classes.release}
          aria-label={`${token.path}, ${atLevel(mode, level)}: back to derived`}
          onClick={release}
        >
          ↺
        </UnstyledButton>
      )}
    </span>
  );
}
