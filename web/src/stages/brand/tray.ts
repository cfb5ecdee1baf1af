import { create } from "zustand";
import { persist } from "zustand/middleware";
import type { ThemeDocument } from "../../api/client";

export type Provenance = NonNullable<NonNullable<NonNullable<ThemeDocument["brand"]>[number]["from"]>>;

/** A colour that is offered and not yet taken. */
export interface Candidate {
  /** Identity while it lies in the tray. */
  key: string;
  name: string;
  /** Any CSS colour. */
  color: string;
  from?: Provenance | undefined;
}

interface Trays {
  /** Candidates by the identity of their theme. */
  trays: Record<string, Candidate[]>;
}

/** What lies beside each brand. It stays until it is taken or emptied, over reloads. */
export const useTrays = create<Trays>()(
  persist((): Trays => ({ trays: {} }), { name: "rhodon-trays", version: 1 }),
);

const NONE: Candidate[] = [];

export const useTray = (theme: string) => useTrays((s) => s.trays[theme] ?? NONE);

function change(theme: string, to: (candidates: Candidate[]) => Candidate[]) {
  useTrays.setState(({ trays }) => {
    const { [theme]: before, ...others } = trays;
    const next = to(before ?? []);
    return { trays: next.length > 0 ? { ...others, [theme]: next } : others };
  });
}

let last = Date.now();
const freshKey = () => {
  last += 1;
  return last.toString(36);
};

const same = (a: Omit<Candidate, "key">, b: Omit<Candidate, "key">) =>
  a.color === b.color && JSON.stringify(a.from) === JSON.stringify(b.from);

/** Puts colours into the tray; what lies there already stays once. Gives the keys of the new ones. */
export function offer(theme: string, offered: Omit<Candidate, "key">[]): string[] {
  const keys: string[] = [];
  change(theme, (before) => {
    const fresh = offered
      .filter((one, i) => !before.some((b) => same(b, one)) && !offered.slice(0, i).some((b) => same(b, one)))
      .map((one) => ({ ...one, key: freshKey() }));
    keys.push(...fresh.map((one) => one.key));
    return [...before, ...fresh];
  });
  return keys;
}

/** Changes one that lies in the tray. */
export const alter = (theme: string, key: string, to: Partial<Omit<Candidate, "key">>) =>
  change(theme, (before) => before.map((one) => (one.key === key ? { ...one, ...to } : one)));

/** Takes some out of the tray. */
export const withdraw = (theme: string, keys: string[]) =>
  change(theme, (before) => before.filter((one) => !keys.includes(one.key)));

/** The candidates that stand for spots of a picture. */
export const isSpotOf = (picture: string) => (one: { from?: Provenance | null | undefined }) =>
  one.from?.kind === "picture" && one.from.picture === picture;
