/** The lines of a text behind its head that its earlier state did not have, by index. */
export function changedLines(now: string[], before: string[] | undefined, head: number): Set<number> {
  const changed = new Set<number>();
  if (!before) return changed;
  // Most changes alter values and keep every line in its place.
  const inPlace = now.length === before.length;
  const known = inPlace ? undefined : new Set(before);
  now.forEach((line, i) => {
    const same = known ? known.has(line) : before[i] === line;
    if (!same && i >= head) changed.add(i);
  });
  return changed;
}
