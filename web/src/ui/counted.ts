/** A number with its word, which takes an `s` for all but one. */
export const counted = (count: number, word: string) => `${count} ${word}${count === 1 ? "" : "s"}`;
