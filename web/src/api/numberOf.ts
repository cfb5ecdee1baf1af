const numbers = new WeakMap<object, number>();
let last = 0;

/** A number that stays with an object: a short key for a long document. */
export function numberOf(object: object): number {
  const known = numbers.get(object);
  if (known !== undefined) return known;
  last += 1;
  numbers.set(object, last);
  return last;
}
