/** News of themes that changed elsewhere. One stream serves the whole window. */

type Listener = (revision: number) => void;

interface Moved {
  id: string;
  revision: number;
}

const listeners = new Map<string, Set<Listener>>();
let stream: EventSource | undefined;

function open() {
  stream ??= new EventSource("/api/events");
  stream.onmessage = (event) => {
    const moved = JSON.parse(event.data) as Moved;
    for (const listener of listeners.get(moved.id) ?? []) listener(moved.revision);
  };
}

/** Calls back with the new revision of a theme, 0 once it is deleted; gives the way to stop. */
export function hearOf(id: string, listener: Listener): () => void {
  open();
  const own = listeners.get(id) ?? new Set();
  own.add(listener);
  listeners.set(id, own);
  return () => {
    own.delete(listener);
  };
}
