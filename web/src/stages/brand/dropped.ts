import { create } from "zustand";

/** Files that came in elsewhere and wait to be looked into. */
export const useDropped = create<{ files: File[] }>(() => ({ files: [] }));

/** Hands files to the source of the stage. */
export const dropOn = (files: File[]) => useDropped.setState({ files });

/** Takes what waits; it waits no more. */
export function takeDropped(): File[] {
  const { files } = useDropped.getState();
  if (files.length > 0) useDropped.setState({ files: [] });
  return files;
}
