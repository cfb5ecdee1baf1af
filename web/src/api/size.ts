const inMb = (bytes: number) => Math.round(bytes / 1_000_000);

/**
 * What is said of something that is larger than it may be, before it is sent: the server would close the door on
 * it without a word that a browser tells.
 */
export const tooLarge = (what: string, bytes: number, most = Number.POSITIVE_INFINITY) =>
  bytes > most ? `${what} of ${inMb(bytes)} MB: expected at most ${inMb(most)} MB` : undefined;
