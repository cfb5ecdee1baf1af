/** A question that somebody has to answer before what asked goes on. */
export function question<T>() {
  let settle: ((answer: T) => void) | undefined;
  return {
    asked: () =>
      new Promise<T>((resolve) => {
        settle = resolve;
      }),
    answer: (answer: T) => {
      settle?.(answer);
      settle = undefined;
    },
  };
}
