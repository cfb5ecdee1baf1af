import type { Target } from "../../api/client";

/** Where a target answers to a search: its name, its files, or a key inside them. */
export function hit(target: Target, words: string): string | undefined {
  const wanted = words.trim().toLowerCase().replace(/^\./, "");
  const own = [target.name, target.id, ...target.files, ...target.keys];
  return own.find((text) => text.toLowerCase().includes(wanted));
}
