import { useEffect, useMemo, useState } from "react";

/** What was typed for a field, from the call for it on. */
export interface EarlyWords {
  words: string;
  /** Whether Enter was pressed before the field was there: it means the first that is found. */
  isEntered: boolean;
  setWords: (words: string) => void;
  /** Takes Enter for the first that is found, where nothing is found yet. */
  enter: () => void;
}

const nothing = { words: "", isEntered: false };

/**
 * The words of a field that is called for. Letters that are typed before it is there are meant for it, and
 * for no key of the application; each call begins with none.
 */
export function useEarlyWords(called: boolean): EarlyWords {
  const [typed, setTyped] = useState(nothing);
  useEffect(() => {
    if (!called) return;
    const press = (event: KeyboardEvent) => {
      const isThere = event.target instanceof Element && event.target.matches("[role=dialog] input");
      const next = isThere ? undefined : typedAfter(event);
      if (!next) return;
      event.preventDefault();
      event.stopImmediatePropagation();
      setTyped(next);
    };
    window.addEventListener("keydown", press, { capture: true });
    return () => {
      window.removeEventListener("keydown", press, { capture: true });
      setTyped(nothing);
    };
  }, [called]);
  return useMemo(
    () => ({
      ...typed,
      setWords: (words) => setTyped({ ...nothing, words }),
      enter: () => setTyped({ ...typed, isEntered: true }),
    }),
    [typed],
  );
}

/** What a key makes of what was typed; nothing where it types nothing. */
function typedAfter(event: KeyboardEvent): ((typed: typeof nothing) => typeof nothing) | undefined {
  if (event.ctrlKey || event.metaKey || event.altKey) return undefined;
  if (event.key === "Enter") return (typed) => ({ ...typed, isEntered: true });
  if (event.key === "Backspace") return (typed) => ({ ...typed, words: typed.words.slice(0, -1) });
  if (event.key.length === 1) return (typed) => ({ ...typed, words: typed.words + event.key });
  return undefined;
}
