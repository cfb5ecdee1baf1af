import { useRef } from "react";

let last = 0;

/**
 * Keys that follow things when they move and when they are renamed in their place: the one that takes
 * the place of a name that is gone is the same thing under another name.
 */
export function useStableKeys(names: string[]): string[] {
  const before = useRef<{ names: string[]; keys: Map<string, string> }>({ names: [], keys: new Map() });
  const { names: old, keys } = before.current;
  const next = new Map<string, string>();
  names.forEach((name, i) => {
    const former = old[i];
    const renamed = former !== undefined && old.length === names.length && !names.includes(former);
    const known = keys.get(name) ?? (renamed ? keys.get(former) : undefined);
    last += known === undefined ? 1 : 0;
    next.set(name, known ?? `key-${last}`);
  });
  before.current = { names, keys: next };
  return names.map((name) => next.get(name) ?? name);
}
