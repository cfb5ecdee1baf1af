import type { Derived } from "../api/client";

/**
 * Names of the intents that a scale plays. One that is only called as the scale is, and is none of the usual
 * ones, says nothing more.
 */
export const played = (intents: Derived["intents"], usual: string[], scale: string): string[] =>
  intents
    .filter((one) => one.scale === scale && (one.name !== scale || usual.includes(one.name)))
    .map((one) => one.name);
