import { create } from "zustand";

/** Whether the proof shows what people see who ask their system for more contrast. */
export const useContrast = create<{ more: boolean }>(() => ({ more: false }));

export const toggleContrast = () => useContrast.setState(({ more }) => ({ more: !more }));
