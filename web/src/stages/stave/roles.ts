import { cellOf } from "../../api/cellOf";
import type { Derived } from "../../api/client";

export type Mode = "light" | "dark";

/** Roles that stand on a step, per mode. */
export type RolesOnStep = Record<Mode, string[]>;

/** For every step path the roles that use it, directly or through another role. */
export function rolesBySteps(derived: Derived): Record<string, RolesOnStep> {
  const byPath = new Map(derived.tokens.map((t) => [t.path, t]));
  const out: Record<string, RolesOnStep> = {};
  for (const token of derived.tokens) {
    if (token.section !== "roles" && token.section !== "own") continue;
    for (const mode of ["light", "dark"] as const) {
      const step = endOf(token.path, mode);
      if (!step) continue;
      out[step] ??= { light: [], dark: [] };
      out[step][mode].push(token.path);
    }
  }
  return out;

  function endOf(path: string, mode: Mode): string | undefined {
    let at = byPath.get(path);
    // References form no circle: the server refuses those. The bound is for a broken answer.
    for (let hops = 0; at && hops < 20; hops++) {
      if (at.section === "scales") return at.path;
      const cell = cellOf(at, mode);
      at = cell.alias ? byPath.get(cell.alias) : undefined;
    }
    return undefined;
  }
}

export interface Flag {
  /** Path of the step it stands on. */
  path: string;
  text: string;
  roles: string[];
  /** Place of its step, in px. */
  x: number;
  /** Left edge of its text, in px. */
  left: number;
  lane: number;
}

const CHAR = 5.9;
const GAP = 8;

/** One flag a step, in as many lanes as are needed for none to touch another or the edge. */
export function layFlags(steps: { path: string; x: number; roles: string[] }[], width: number): Flag[] {
  const ends: number[] = [];
  return steps
    .filter((s) => s.roles.length > 0)
    .map(({ path, x, roles }) => {
      const more = roles.length > 1 ? ` and ${roles.length - 1} ▾` : "";
      const text = `${roles[0]}${more}`;
      const size = text.length * CHAR;
      const left = Math.max(0, Math.min(x - 3, width - size));
      let lane = ends.findIndex((end) => end + GAP <= left);
      if (lane < 0) lane = ends.length;
      ends[lane] = left + size;
      return { path, text, roles, x, left, lane };
    });
}
