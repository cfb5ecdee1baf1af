import { useEffect } from "react";

/**
 * Letters that are typed while a field is called for and not there yet: they are meant for it, and for no
 * key of the application.
 */
export function useEarlyKeys(called: boolean, take: (letter: string) => void) {
  useEffect(() => {
    if (!called) return;
    const press = (event: KeyboardEvent) => {
      const isLetter = event.key.length === 1 && !event.ctrlKey && !event.metaKey && !event.altKey;
      const isThere = document.activeElement?.matches("[role=dialog] input") ?? false;
      if (!isLetter || isThere) return;
      event.preventDefault();
      event.stopImmediatePropagation();
      take(event.key);
    };
    window.addEventListener("keydown", press, { capture: true });
    return () => window.removeEventListener("keydown", press, { capture: true });
  }, [called, take]);
}
