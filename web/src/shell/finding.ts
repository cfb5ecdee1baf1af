/** Something that can be found and opened. */
export interface Found {
  id: string;
  group: string;
  name: string;
  /** All that it answers to. */
  words: string;
  help?: string;
  keys?: string;
  colors?: string[];
  run: () => void;
}

export interface FoundGroup {
  group: string;
  hits: Found[];
}

/** The most hits of a group that are shown. */
const MOST = 8;

/** Words as they are compared: British and American spellings, and both apostrophes, are one. */
const plain = (text: string) =>
  text.toLowerCase().replaceAll("colour", "color").replaceAll("grey", "gray").replaceAll("’", "'");

/** What fits all words, group by group; what begins like the first word comes first. */
export function ranked(everything: Found[], text: string): FoundGroup[] {
  const words = plain(text).split(/\s+/).filter(Boolean);
  const groups = new Map<string, { hit: Found; rank: number }[]>();
  for (const hit of everything) {
    const own = plain(hit.words);
    if (!words.every((word) => own.includes(word))) continue;
    const rank = words.length === 0 ? 0 : rankOf(hit, words[0] ?? "");
    groups.set(hit.group, [...(groups.get(hit.group) ?? []), { hit, rank }]);
  }
  const best = (hits: { rank: number }[]) => Math.min(...hits.map((h) => h.rank));
  return [...groups]
    .sort(([, a], [, b]) => best(a) - best(b))
    .map(([group, hits]) => ({
      group,
      hits: hits
        .sort((a, b) => a.rank - b.rank)
        .slice(0, MOST)
        .map((h) => h.hit),
    }));
}

/** 0 where a name is the word, 1 where it begins with it, 2 where a part does, 3 elsewhere, 4 in its help alone. */
function rankOf(hit: Found, word: string): number {
  const name = plain(hit.name);
  if (name === word) return 0;
  if (name.startsWith(word)) return 1;
  if (name.split(/[\s.-]/).some((part) => part.startsWith(word))) return 2;
  return plain(hit.words.replace(hit.help ?? "", "")).includes(word) ? 3 : 4;
}

/** A token near to a colour, in one mode. */
interface Near {
  path: string;
  mode?: string | null;
  value: string;
  difference: number;
}

/** Tokens near to a colour, a token with one value in both modes once. */
export function nearHits(tokens: Near[]) {
  const hits = new Map<string, Omit<Near, "mode"> & { modes: string }>();
  for (const { mode, ...token } of tokens) {
    const key = `${token.path} ${token.value}`;
    const known = hits.get(key);
    if (known) known.modes = `${known.modes}, ${mode}`;
    else hits.set(key, { ...token, modes: mode ?? "" });
  }
  return [...hits.values()];
}
