import { create } from "zustand";

/** Whose eyes the proof, the stave and every swatch are seen with: a kind of vision, and how much. */
export interface Eyes {
  kind: string;
  /** Tenths, 1 to 10. */
  tenths: number;
}

export const useEyes = create<{ eyes: Eyes | undefined }>(() => ({ eyes: undefined }));

export const seeWith = (eyes: Eyes | undefined) => useEyes.setState({ eyes });
