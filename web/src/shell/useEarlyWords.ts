import { useEffect, useState } from "react";

/**
 * The words of a field that is called for. Letters that are typed before it is there are meant for it, and
 * for no key of the application; each call begins with none.
 */
export function useEarlyWords(called: boolean): [string, (words: string) => void] {
  const [words, setWords] = useState("");
  useEffect(() => {
    if (!called) return;
    const press = (event: KeyboardEvent) => {
      const isLetter = event.key.length === 1 && !event.ctrlKey && !event.metaKey && !event.altKey;
      const isThere = document.activeElement?.matches("[role=dialog] input") ?? false;
      if (!isLetter || isThere) return;
      event.preventDefault();
      event.stopImmediatePropagation();
      setWords((typed) => typed + event.key);
    };
    window.addEventListener("keydown", press, { capture: true });
    return () => {
      window.removeEventListener("keydown", press, { capture: true });
      setWords("");
    };
  }, [called]);
  return [words, setWords];
}
