import { useEffect, useState } from "react";
import { referring } from "../../../api/writtenValue";

interface Props {
  /** What is in the files. */
  old: string;
  /** What somebody chose for it; a token's path stands in braces. */
  chosen: string | null | undefined;
  placeholder: string;
  title?: string;
  /** Identity of the list of tokens that can be chosen. */
  list: string;
  error: string | undefined;
  /** What was typed; undefined gives the choice back. */
  onChange: (to: string | undefined) => void;
}

/** What something in the files becomes: typed, or a token by its path. */
export function BecomesField({ old, chosen, placeholder, title, list, error, onChange }: Props) {
  const shown = chosen?.replace(/^\{|\}$/g, "") ?? "";
  const [text, setText] = useState(shown);
  useEffect(() => setText(shown), [shown]);
  const save = () => {
    const typed = text.trim();
    if (typed !== shown) onChange(typed === "" ? undefined : referring(typed));
  };
  return (
    <input
      aria-label={`What ${old} becomes`}
      aria-invalid={error ? true : undefined}
      placeholder={placeholder}
      title={title}
      list={list}
      value={text}
      spellCheck={false}
      onChange={(e) => setText(e.currentTarget.value)}
      onBlur={save}
      onKeyDown={(e) => e.key === "Enter" && save()}
    />
  );
}
