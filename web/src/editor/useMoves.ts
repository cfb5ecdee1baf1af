import { useMemo, useRef } from "react";
import { Moves } from "./moves";

interface Told<Place, Answer> {
  ask: (place: Place) => Promise<Answer>;
  /** While it goes on. */
  onMove: (answer: Answer, place: Place) => void;
  /** Once it is over. */
  onEnd: (answer: Answer, place: Place) => void;
}

/** A movement that stays the same while what it tells is drawn anew. */
export function useMoves<Place, Answer>(told: Told<Place, Answer>): Moves<Place, Answer> {
  const latest = useRef(told);
  latest.current = told;
  return useMemo(
    () =>
      new Moves<Place, Answer>(
        (place) => latest.current.ask(place),
        (answer, place) => latest.current.onMove(answer, place),
        (answer, place) => latest.current.onEnd(answer, place),
      ),
    [],
  );
}
