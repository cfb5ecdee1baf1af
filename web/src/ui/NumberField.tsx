import { TextInput } from "@mantine/core";
import { useEffect, useState } from "react";
import type { NumberField as Field } from "../api/client";
import { refusalOf } from "../api/client";
import type { Outcome } from "../editor/state";
import { Hint } from "./Hint";
import { useOnce } from "./useOnce";

interface Props {
  field: Field;
  /** What is set; none where the default holds. */
  value: number | null | undefined;
  /** Shows a number while it is typed, where it is one within the range. */
  onDraft: (value: number) => void;
  /** Back to what is saved. */
  onDiscard: () => void;
  onNumber: (value: number) => Promise<Outcome>;
}

const read = (text: string) => (text.trim() === "" ? Number.NaN : Number(text.trim().replace(",", ".")));

/** A number: typed freely, judged once it is left or confirmed, with its range told. */
export function NumberField({ field, value, onDraft, onDiscard, onNumber }: Props) {
  const inForce = value ?? field.default;
  const [text, setText] = useState(String(inForce));
  const [refusal, setRefusal] = useState<string>();
  const once = useOnce();
  useEffect(() => setText(String(inForce)), [inForce]);
  const fits = (n: number) => n >= field.low && n <= field.high && (!field.whole || Number.isInteger(n));
  const type = (typed: string) => {
    setText(typed);
    setRefusal(undefined);
    const n = read(typed);
    if (fits(n) && n !== inForce) onDraft(n);
  };
  const save = async (n: number) => {
    if (!fits(n)) {
      onDiscard();
      return setRefusal(
        `expected a ${field.whole ? "whole " : ""}number from ${field.low} to ${field.high}; ${inForce} holds`,
      );
    }
    setText(String(n));
    if (n === inForce) return;
    await once(field.key, String(n), async () => {
      const { problem } = await onNumber(n);
      if (problem) setRefusal(refusalOf(problem));
    });
  };
  const step = (way: number) => {
    const n = read(text);
    const from = fits(n) ? n : inForce;
    const to = Math.min(field.high, Math.max(field.low, from + way * field.step));
    type(String(Math.round(to * 1000) / 1000));
  };
  const name = field.unit ? `${field.title}, ${field.unit}` : field.title;
  return (
    <TextInput
      size="xs"
      label={<Hint word={name} help={`${field.help} From ${field.low} to ${field.high}.`} />}
      aria-label={name}
      inputMode="decimal"
      value={text}
      error={refusal}
      onChange={(e) => type(e.currentTarget.value)}
      onBlur={() => void save(read(text))}
      onKeyDown={(e) => {
        if (e.key === "Enter") void save(read(text));
        else if (e.key === "ArrowUp" || e.key === "ArrowDown") {
          e.preventDefault();
          step(e.key === "ArrowUp" ? 1 : -1);
        } else if (e.key === "Escape") {
          setText(String(inForce));
          setRefusal(undefined);
          onDiscard();
        }
      }}
    />
  );
}
