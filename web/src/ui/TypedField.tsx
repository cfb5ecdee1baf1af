import { TextInput } from "@mantine/core";
import { useEffect, useId, useRef, useState } from "react";
import { refusalIn, refusalOf } from "../api/client";
import type { Outcome } from "../editor/store";
import { useOnce } from "./useOnce";

interface Props {
  label: React.ReactNode;
  /** Its name for those who do not see it, where the label is more than text. */
  name?: string;
  placeholder: string;
  value: string;
  /** Offered while typing; anything else may be typed. */
  offers?: string[];
  /** Saves what was typed, once it is left or confirmed and differs. */
  onText: (text: string) => Promise<Outcome>;
}

/**
 * A small field for a decision: saved when it is left or confirmed, not at every key. What is refused
 * stays as typed, with the reason beside it.
 */
export function TypedField({ label, name, placeholder, value, offers, onText }: Props) {
  const [text, setText] = useState(value);
  const [refusal, setRefusal] = useState<string>();
  const once = useOnce();
  const list = useId();
  const kept = useRef(false);
  useEffect(() => {
    // What was refused is not taken away by what others save.
    if (!kept.current) setText(value);
  }, [value]);
  const save = async () => {
    const wanted = text.trim();
    if (wanted === value) {
      kept.current = false;
      setText(value);
      return setRefusal(undefined);
    }
    await once("field", wanted, async () => {
      try {
        const { problem } = await onText(wanted);
        kept.current = problem !== undefined;
        setRefusal(problem && refusalOf(problem));
      } catch (failure) {
        kept.current = true;
        setRefusal(refusalIn(failure));
      }
    });
  };
  return (
    <>
      <TextInput
        size="xs"
        label={label}
        aria-label={name}
        placeholder={placeholder}
        value={text}
        error={refusal}
        list={offers ? list : undefined}
        onChange={(e) => {
          setText(e.currentTarget.value);
          setRefusal(undefined);
        }}
        onBlur={() => void save()}
        onKeyDown={(e) => e.key === "Enter" && void save()}
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
