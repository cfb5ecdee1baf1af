import type { Wake } from "../api/client";

type Change = Wake["changes"][number];

/** A value before and after, at which level of contrast. */
export type Moved = Change & { level?: "more" };

/** What moved of one scale, or of one family of roles. */
export interface MovedGroup {
  name: string;
  moved: Moved[];
}

/** What moved, by scale and by family of roles: the group and in it the value that differs most comes first. */
export function movedGroups(wake: Pick<Wake, "changes"> & Partial<Pick<Wake, "more">>): MovedGroup[] {
  const all: Moved[] = [
    ...wake.changes,
    ...(wake.more ?? []).map((change) => ({ ...change, level: "more" as const })),
  ];
  const groups = new Map<string, Moved[]>();
  for (const change of all) {
    const name = change.path.split(".")[0] ?? change.path;
    groups.set(name, [...(groups.get(name) ?? []), change]);
  }
  const most = ({ moved }: MovedGroup) => apart(moved[0]);
  return [...groups]
    .map(([name, moved]) => ({ name, moved: moved.sort((a, b) => apart(b) - apart(a)) }))
    .sort((a, b) => most(b) - most(a));
}

/** How many values moved, at either level of contrast. */
export const countMoved = ({ changes, more }: Pick<Wake, "changes" | "more">) => changes.length + more.length;

/** How far apart a value was moved; what is new, gone, or no colour comes behind all that is told by a number. */
const apart = (change: Moved | undefined) => change?.difference ?? -1;
