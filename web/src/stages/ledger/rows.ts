import type { Derived, Mode, Token } from "../../api/client";
import type { CellSource } from "../../api/family";

/** A token with what the ledger shows beside it. */
export interface Row {
  token: Token;
  /** The hardest pair in which it stands in front, per mode. */
  ratio: Partial<Record<Mode, { ratio: number; need: number }>>;
  /** Paths of tokens that refer to it. */
  usedBy: string[];
  /** Whose its values are, in a child. */
  sources: Partial<Record<Mode, CellSource>>;
}

export interface Filter {
  word: string;
  origin: string;
  group: string;
  failing: boolean;
  /** Tokens at fault in a finding, where only those are asked for. */
  found?: string[];
}

export function makeRows(derived: Derived, sources: CellSource[] = []): Row[] {
  const rows = new Map<string, Row>(
    derived.tokens.map((token) => [token.path, { token, ratio: {}, usedBy: [], sources: {} }]),
  );
  for (const cell of sources) {
    const row = rows.get(cell.path);
    if (row) row.sources[cell.mode ?? "light"] = cell;
  }
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

/** Whose its values are: in a child by what it decides itself, else by how they came about. */
export function originsOf({ token, sources }: Row): string[] {
  const told = [sources.light?.whose, sources.dark?.whose].filter((w) => w !== undefined);
  const usual = [token.light.origin, token.dark?.origin].filter((o) => o !== undefined);
  return [...new Set<string>(told.length > 0 ? told : usual)];
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
    if (origin && !originsOf(row).includes(origin)) return false;
    if (found && !found.includes(token.path)) return false;
    if (failing && !Object.values(row.ratio).some((r) => r.ratio < r.need)) return false;
    if (words.length === 0) return true;
    const { path, css, light, dark } = token;
    const parts = [path, css, names[path], light.value, dark?.value, light.alias, dark?.alias];
    const text = parts.filter(Boolean).join(" ").toLowerCase();
    return words.every((w) => text.includes(w));
  });
}
