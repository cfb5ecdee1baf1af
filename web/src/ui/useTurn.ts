import { useEffect, useState } from "react";

interface Waiting {
  gone: boolean;
  begin: () => void;
}

const queue: Waiting[] = [];
let running = false;

/** One at a time, a frame between them, so that scrolling goes on meanwhile. */
function next() {
  let first = queue.shift();
  // Those that were scrolled past take no time.
  while (first?.gone) first = queue.shift();
  running = first !== undefined;
  if (!first) return;
  first.begin();
  requestAnimationFrame(() => setTimeout(next));
}

/** Whether it is the turn of what is costly to draw: those that ask at once get it one after the other. */
export function useTurn(): boolean {
  const [turn, setTurn] = useState(false);
  useEffect(() => {
    const own: Waiting = { gone: false, begin: () => setTurn(true) };
    queue.push(own);
    if (!running) {
      running = true;
      requestAnimationFrame(next);
    }
    return () => {
      own.gone = true;
    };
  }, []);
  return turn;
}
