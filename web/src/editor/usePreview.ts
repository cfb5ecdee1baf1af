import { startTransition, useCallback, useMemo, useRef, useState } from "react";
import { answer, api, type Preview, type Problem, problemOf, type Spec } from "../api/client";
import { publishSheets } from "../proof/sheets";
import { derivesAlike } from "./edits";
import { Pump } from "./pump";

interface Shown {
  spec: Spec;
  /** The document to compare with. */
  before: Spec | undefined;
}

/** What a document comes to, always that of the last one that was asked about. */
export function usePreview(initial: Spec) {
  const [preview, setPreview] = useState<Preview>();
  const [problem, setProblem] = useState<Problem>();
  const pump = useMemo(
    () =>
      new Pump<Shown, Preview>(
        (shown) => answer(api.POST("/api/preview", { body: shown })),
        (_, found) => {
          publishSheets(found.sheets);
          // The page is painted by now; the rest may be interrupted by the next move.
          startTransition(() => {
            setPreview(found);
            setProblem(undefined);
          });
        },
        (_, error) => setProblem(problemOf(error)),
      ),
    [],
  );

  const asked = useRef(initial);
  /** Asks about a document, and what moved since another. */
  const ask = useCallback(
    (spec: Spec, before?: Spec) => {
      asked.current = spec;
      pump.push({ spec, before });
    },
    [pump],
  );
  /** Whether a document comes to what was last asked about. */
  const isAsked = useCallback((spec: Spec) => derivesAlike(spec, asked.current), []);
  /** A change that moved nothing. */
  const nothingMoved = useCallback(
    () => setPreview((shown) => shown && { ...shown, wake: { changes: [], unreadable: [] } }),
    [],
  );
  return { preview, problem, ask, isAsked, nothingMoved };
}
