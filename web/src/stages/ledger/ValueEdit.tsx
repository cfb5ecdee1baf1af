import { type FormEvent, useState } from "react";
import { type Mode, refusalIn, refusalOf, type Token } from "../../api/client";
import { writtenValue } from "../../api/writtenValue";
import { useEditor, useEditorState } from "../../editor/EditorProvider";
import { atLevel, type Edit, setBrand, setToken } from "../../editor/edits";
import { useLevel } from "../../editor/level";
import type { EditorState } from "../../editor/store";
import { Swatch } from "../../ui/Swatch";
import classes from "./Ledger.module.css";

interface Props {
  token: Token;
  mode: Mode;
  /** The value as it is written: a reference in braces, or itself. */
  written: string;
  onDone: () => void;
}

/** The brand colour that a step holds exactly, where it is the step that the colour stands at. */
function brandAt(state: EditorState, token: Token) {
  if (token.section !== "scales") return undefined;
  const scale = state.preview?.derived.scales.find((s) => s.steps[s.base]?.path === token.path);
  return state.document.brand?.find((b) => b.slug === scale?.slug);
}

/** The field of one value while it is edited; what was typed stays until it is taken. */
export function ValueEdit({ token, mode, written, onDone }: Props) {
  const editor = useEditor();
  const level = useLevel();
  const [text, setText] = useState(written);
  const [refusal, setRefusal] = useState<string>();
  const [asked, setAsked] = useState<string>();
  // The step that is a brand colour itself: to set it is to change the colour, or to hold a second one.
  const brand = useEditorState((s) => brandAt(s, token));
  const take = async (change: Edit, value: string) => {
    const label = `${token.path} (${atLevel(mode, level)}): ${written} → ${value}`;
    const { problem } = await editor.commit(change, label, { atField: true });
    if (problem) setRefusal(refusalOf(problem));
    else onDone();
  };
  const save = async (event: FormEvent) => {
    event.preventDefault();
    if (text.trim() === written) return onDone();
    try {
      const value = await writtenValue(token.kind, text);
      if (brand) setAsked(value);
      else await take((d) => setToken(d, token, mode, value, level), value);
    } catch (error) {
      setRefusal(refusalIn(error));
    }
  };
  return (
    <form className={classes.edit} onSubmit={save}>
      <input
        aria-label={`${token.path}, ${atLevel(mode, level)}`}
        aria-invalid={refusal !== undefined}
        // biome-ignore lint/a11y/noAutofocus: the field takes the place of the button that was pressed
        autoFocus
        spellCheck={false}
        value={text}
        onFocus={(e) => e.currentTarget.select()}
        onChange={(e) => {
          setText(e.currentTarget.value);
          setRefusal(undefined);
          setAsked(undefined);
        }}
        onKeyDown={(e) => e.key === "Escape" && onDone()}
      />
      {brand && asked && (
        <fieldset className={classes.asked} aria-label={`${token.path} is ${brand.name} itself`}>
          <span>
            {token.path} is {brand.name} itself.
          </span>
          <button type="button" onClick={() => void take((d) => setBrand(d, brand, { color: asked }), asked)}>
            <Swatch colors={[asked]} /> change {brand.name}
          </button>
          <button type="button" onClick={() => void take((d) => setToken(d, token, mode, asked), asked)}>
            <Swatch colors={[brand.color, asked]} /> hold both
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
