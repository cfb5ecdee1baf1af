import { TextInput } from "@mantine/core";
import { useEffect, useId, useState } from "react";

interface Props {
  label: string;
  placeholder: string;
  value: string;
  /** Offered while typing; anything else may be typed. */
  offers?: string[];
  /** Called once what was typed is left or confirmed, and differs. */
  onText: (text: string) => void;
}

/** A small field for a decision: saved when it is left or confirmed, not at every key. */
export function TypedField({ label, placeholder, value, offers, onText }: Props) {
  const [text, setText] = useState(value);
  useEffect(() => setText(value), [value]);
  const save = () => text.trim() !== value && onText(text.trim());
  const list = useId();
  return (
    <>
      <TextInput
        size="xs"
        label={label}
        placeholder={placeholder}
        value={text}
        list={offers ? list : undefined}
        onChange={(e) => setText(e.currentTarget.value)}
        onBlur={save}
        onKeyDown={(e) => e.key === "Enter" && save()}
      />
      {offers && (
        <datalist id={list}>
          {offers.map((offer) => (
            <option key={offer} value={offer} />
          ))}
        </datalist>
      )}
    </>
  );
}
