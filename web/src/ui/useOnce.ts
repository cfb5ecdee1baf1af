import { useCallback, useRef } from "react";

/** Runs a job for a field unless it runs for the same value: Enter and then leaving it save once. */
export function useOnce() {
  const running = useRef(new Map<string, string>());
  return useCallback(async (field: string, value: string, job: () => Promise<unknown>) => {
    if (running.current.get(field) === value) return;
    running.current.set(field, value);
    try {
      await job();
    } finally {
      if (running.current.get(field) === value) running.current.delete(field);
    }
  }, []);
}
