/** The lines of a text that its earlier state did not have, by index. */
export function changedLines(now: string[], before: string[] | undefined): Set<number> {
  const changed = new Set<number>();
  if (!before) return changed;
  // Most changes alter values and keep every line in its place.
  const inPlace = now.length === before.length;
  const known = inPlace ? undefined : new Set(before);
  now.forEach((line, i) => {
    const same = known ? known.has(line) : before[i] === line;
    // The head names revision and content: it differs after every change and tells nothing.
    if (!same && !/, content [0-9a-f]{12}\b/.test(line)) changed.add(i);
  });
  return changed;
}
