import { create } from "zustand";

/** Whether the proof has the whole window. */
export const useWide = create<{ wide: boolean }>(() => ({ wide: false }));

export const toggleWide = () => useWide.setState(({ wide }) => ({ wide: !wide }));
