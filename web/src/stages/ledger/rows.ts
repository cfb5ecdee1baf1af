import type { Derived, Mode, Token } from "../../api/client";

/** A token with what the ledger shows beside it. */
export interface Row {
  token: Token;
  /** The hardest pair in which it stands in front, per mode. */
  ratio: Partial<Record<Mode, { ratio: number; need: number }>>;
  /** Paths of tokens that refer to it. */
  usedBy: string[];
}

export interface Filter {
  word: string;
  origin: string;
  group: string;
  failing: boolean;
  /** Tokens at fault in a finding, where only those are asked for. */
  found?: string[];
}

export function makeRows(derived: Derived): Row[] {
  const rows = new Map<string, Row>(
    derived.tokens.map((token) => [token.path, { token, ratio: {}, usedBy: [] }]),
  );
  for (const { token } of rows.values()) {
    const aliases = new Set([token.light.alias, token.dark?.alias]);
    for (const alias of aliases) if (alias) rows.get(alias)?.usedBy.push(token.path);
  }
  for (const pair of derived.pairs) {
    const ratio = rows.get(pair.fg)?.ratio;
    const { mode } = pair;
    // The hardest pair is the one with the least to spare over what it needs.
    if (ratio && (!ratio[mode] || pair.ratio / pair.need < ratio[mode].ratio / ratio[mode].need)) {
      ratio[mode] = { ratio: pair.ratio, need: pair.need };
    }
  }
  return [...rows.values()];
}

export function groupsOf(rows: Row[]): string[] {
  return [...new Set(rows.map((r) => r.token.path.split(".")[0] ?? ""))];
}

export function filtered(
  rows: Row[],
  { word, origin, group, failing, found }: Filter,
  names: Record<string, string>,
): Row[] {
  const words = word.toLowerCase().split(/\s+/).filter(Boolean);
  return rows.filter((row) => {
    const { token } = row;
    if (group && token.path.split(".")[0] !== group) return false;
    if (origin && token.light.origin !== origin && token.dark?.origin !== origin) return false;
    if (found && !found.includes(token.path)) return false;
    if (failing && !Object.values(row.ratio).some((r) => r.ratio < r.need)) return false;
    const { path, css, light, dark } = token;
    const parts = [path, css, names[path], light.value, dark?.value, light.alias, dark?.alias];
    const text = parts.filter(Boolean).join(" ").toLowerCase();
    return words.every((w) => text.includes(w));
  });
}
