/**
 * The style sheets of the document at hand, handed to the proof the moment they arrive: the page is
 * painted before the rest of the screen is drawn anew.
 */

type Listener = (sheets: string[]) => void;

const listeners = new Set<Listener>();
let latest: string[] | undefined;

export function publishSheets(sheets: string[]) {
  latest = sheets;
  for (const listener of listeners) listener(sheets);
}

/** Calls back at once with the latest sheets, and with all that follow. */
export function onSheets(listener: Listener): () => void {
  listeners.add(listener);
  if (latest) listener(latest);
  return () => {
    listeners.delete(listener);
  };
}
