import { TextInput } from "@mantine/core";
import { useEffect, useState } from "react";

interface Props {
  label: string;
  placeholder: string;
  value: string;
  /** Called once what was typed is left or confirmed, and differs. */
  onText: (text: string) => void;
}

/** A small field for a decision: saved when it is left or confirmed, not at every key. */
export function TypedField({ label, placeholder, value, onText }: Props) {
  const [text, setText] = useState(value);
  useEffect(() => setText(value), [value]);
  const save = () => text.trim() !== value && onText(text.trim());
  return (
    <TextInput
      size="xs"
      label={label}
      placeholder={placeholder}
      value={text}
      onChange={(e) => setText(e.currentTarget.value)}
      onBlur={save}
      onKeyDown={(e) => e.key === "Enter" && save()}
    />
  );
}
