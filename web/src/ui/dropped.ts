import { useEffect } from "react";
import { create } from "zustand";

/** Files that were dropped on the window and wait for the place that is open. */
const useWaiting = create<{ files: File[] }>(() => ({ files: [] }));

/** Hands files to the place that takes them. */
export const dropOn = (files: File[]) => useWaiting.setState({ files });

/** Takes what waits, once it can be read; it waits no more. */
export function useDropped(take: (files: File[]) => void, ready = true) {
  const { files } = useWaiting();
  useEffect(() => {
    if (files.length === 0 || !ready) return;
    useWaiting.setState({ files: [] });
    take(files);
  });
}
