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

/** Behind everything that has a word which begins so: within a word, as in "withdraw". */
const WITHIN = 10_000;

/** The most hits of a group that are shown. */
const MOST = 8;

/** Words as they are compared: British and American spellings, and both apostrophes, are one. */
const plain = (text: string) =>
  text
    .toLowerCase()
    .replaceAll("stylesheet", "style sheet")
    .replaceAll("colour", "color")
    .replaceAll("grey", "gray")
    .replaceAll("’", "'");

/** Something that can be found, with its words as they are compared. */
export class Indexed {
  readonly all: string;
  private known: { name: string; parts: string[]; own: string } | undefined;

  constructor(readonly hit: Found) {
    this.all = plain(hit.words);
  }

  /** Its name, where each part of that begins, and all but its help. Most things are never asked for them. */
  get told() {
    const { name, words, help } = this.hit;
    if (this.known) return this.known;
    const told = plain(name);
    this.known = {
      name: told,
      parts: told.split(/[\s.-]/),
      own: plain(help ? words.replace(help, "") : words),
    };
    return this.known;
  }
}

/** Makes ready what is searched at every key. */
export const indexed = (everything: Found[]): Indexed[] => everything.map((hit) => new Indexed(hit));

/**
 * What fits all words, group by group; what is called so comes first, then what tells of it sooner: of
 * what something answers to, the most usual words stand in front.
 */
export function ranked(everything: Indexed[], text: string): FoundGroup[] {
  const words = plain(text).split(/\s+/).filter(Boolean);
  const groups = new Map<string, { rank: number; hit: Found }[]>();
  for (const entry of everything) {
    if (!words.every((word) => entry.all.includes(word))) continue;
    const { hit } = entry;
    const found = groups.get(hit.group) ?? [];
    groups.set(hit.group, found);
    found.push({ rank: words.reduce((sum, word) => sum + rankOf(entry, word), 0), hit });
  }
  return [...groups]
    .map(([group, found]) => ({ group, found: found.sort((a, b) => a.rank - b.rank) }))
    .sort((a, b) => (a.found[0]?.rank ?? 0) - (b.found[0]?.rank ?? 0))
    .map(({ group, found }) => ({ group, hits: found.slice(0, MOST).map(({ hit }) => hit) }));
}

/**
 * 0 where a name is the word, 1 where it begins with it, 2 where a part does, from 3 elsewhere, more the
 * later it stands, and last in its help alone.
 */
function rankOf({ told: { name, parts, own } }: Indexed, word: string): number {
  if (name === word) return 0;
  if (name.startsWith(word)) return 1;
  if (parts.some((part) => part.startsWith(word))) return 2;
  const at = own.indexOf(` ${word}`, name.length);
  if (at >= 0) return 3 + at - name.length;
  return own.includes(word) ? WITHIN : Number.MAX_SAFE_INTEGER;
}

const HEX = "#?(?:[0-9a-f]{8}|[0-9a-f]{6}|[0-9a-f]{3,4})";
const TWO_CODES = new RegExp(`^(${HEX})(?:\\s*[,/]\\s*|\\s+)(${HEX})$`, "i");

/** What stands on what, where words say two: `#777 on white`, `text.muted on surface.base`, or two codes. */
export function pairIn(words: string): [string, string] | undefined {
  const text = words.trim();
  // A word may be a code and mean something else.
  const codes = /[#\d]/.test(text) ? TWO_CODES.exec(text) : null;
  const [, front, ground] = codes ?? /^(\S.*?)\s+on\s+(\S.*)$/i.exec(text) ?? [];
  return front && ground ? [front, ground] : undefined;
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
