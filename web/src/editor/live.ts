/** News of themes that changed elsewhere. One stream serves the whole window. */

interface Moved {
  id: string;
  revision: number;
}

/** Told of every theme that moved, with 0 once it is deleted; without one, of news that were missed. */
type Listener = (moved: Moved | undefined) => void;

const listeners = new Set<Listener>();
let stream: EventSource | undefined;

function open() {
  if (stream) return;
  stream = new EventSource("/api/events");
  const tell = (moved: Moved | undefined) => {
    for (const listener of listeners) listener(moved);
  };
  stream.onmessage = (event) => tell(JSON.parse(event.data) as Moved);
  stream.addEventListener("again", () => tell(undefined));
  // After a lost connection anything may have moved.
  let lost = false;
  stream.onerror = () => {
    lost = true;
  };
  stream.onopen = () => {
    if (lost) tell(undefined);
    lost = false;
  };
}

/** Calls back with all that moves; gives the way to stop. */
export function subscribe(listener: Listener): () => void {
  open();
  listeners.add(listener);
  return () => {
    listeners.delete(listener);
  };
}
