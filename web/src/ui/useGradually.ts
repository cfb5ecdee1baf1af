import { startTransition, useEffect, useState } from "react";

/**
 * How many of a long list are drawn by now: some at once, and as many again in each frame that has time
 * for them, so that keys and pointer are heard in between.
 */
export function useGradually(all: number, atOnce: number): number {
  const [drawn, setDrawn] = useState(atOnce);
  useEffect(() => {
    if (drawn >= all) return;
    const frame = requestAnimationFrame(() => startTransition(() => setDrawn(drawn + atOnce)));
    return () => cancelAnimationFrame(frame);
  }, [drawn, all, atOnce]);
  return Math.min(drawn, all);
}
