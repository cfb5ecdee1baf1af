import { type FormEvent, useId, useRef, useState } from "react";
import { type Mode, refusalIn, refusalOf, type Token } from "../../api/client";
import { writtenValue } from "../../api/writtenValue";
import { useEditor, useEditorState } from "../../editor/EditorProvider";
import { atLevel, type Edit, setBrand, setToken } from "../../editor/edits";
import { useLevel } from "../../editor/level";
import type { EditorState } from "../../editor/state";
import { Swatch } from "../../ui/Swatch";
import classes from "./Ledger.module.css";
import { TokenOffers } from "./TokenOffers";

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
  const offers = useId();
  // The step that is a brand colour itself: to set it is to change the colour, or to hold a second one.
  const brand = useEditorState((s) => brandAt(s, token));
  // A role has a value in each mode, and mostly one colour is meant for both.
  const hasBoth = token.section === "roles" && token.dark != null;
  const inBoth = useRef(false);
  const take = async (change: Edit, value: string, where = atLevel(mode, level)) => {
    const label = `${token.path} (${where}): ${written} → ${value}`;
    const { problem } = await editor.commit(change, label, { atField: true });
    if (problem) setRefusal(refusalOf(problem));
    else onDone();
  };
  const setIn =
    (modes: Mode[], value: string): Edit =>
    (document) =>
      modes.reduce((before, each) => setToken(before, token, each, value, level), document);
  const save = async (event: FormEvent) => {
    event.preventDefault();
    const both = hasBoth && inBoth.current;
    inBoth.current = false;
    if (text.trim() === written && !both) return onDone();
    try {
      const value = await writtenValue(token.kind, text);
      if (brand) setAsked(value);
      else if (both) await take(setIn(["light", "dark"], value), value, "both modes");
      else await take(setIn([mode], value), value);
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
        list={offers}
        value={text}
        onFocus={(e) => e.currentTarget.select()}
        onChange={(e) => {
          setText(e.currentTarget.value);
          setRefusal(undefined);
          setAsked(undefined);
        }}
        onKeyDown={(e) => {
          if (e.key === "Escape") onDone();
          if (e.key === "Enter") inBoth.current = e.shiftKey;
        }}
      />
      <TokenOffers
        id={offers}
        typed={text === written ? "" : text}
        kind={token.kind}
        mode={mode}
        own={token.path}
      />
      {hasBoth && (
        <button
          type="submit"
          className={classes.both}
          title="Set it in light and in dark (Shift Enter)"
          onClick={(e) => {
            // Enter in the field clicks it too.
            if (e.detail > 0 || document.activeElement === e.currentTarget) inBoth.current = true;
          }}
        >
          both modes
        </button>
      )}
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
