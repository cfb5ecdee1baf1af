import { TextInput } from "@mantine/core";
import { useId, useState } from "react";
import { refusalIn, refusalOf } from "../api/client";
import type { Outcome } from "../editor/state";
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
  // What was typed and is not saved; what others save does not take it away.
  const [typed, setTyped] = useState<string>();
  const [refusal, setRefusal] = useState<string>();
  const once = useOnce();
  const list = useId();
  const save = async () => {
    const wanted = (typed ?? value).trim();
    if (wanted === value) {
      setTyped(undefined);
      return setRefusal(undefined);
    }
    await once("field", wanted, async () => {
      try {
        const { problem } = await onText(wanted);
        setRefusal(problem && refusalOf(problem));
        // Saved, it stands as the document writes it.
        if (!problem) setTyped((now) => (now?.trim() === wanted ? undefined : now));
      } catch (failure) {
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
        value={typed ?? value}
        error={refusal}
        list={offers ? list : undefined}
        onChange={(e) => {
          setTyped(e.currentTarget.value);
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
