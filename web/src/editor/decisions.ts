import type { ThemeDocument } from "../api/client";

/** One thing that a document decides, by its place: `brand/petrol/color`, `roles/text.main/light`. */
export type Decisions = Map<string, unknown>;

/** Everything that a document decides. Brand colours are known by their slugs, wherever they stand. */
export function decisionsOf(document: ThemeDocument): Decisions {
  const out: Decisions = new Map();
  const { brand = [], ...rest } = document;
  for (const color of brand) {
    for (const [key, value] of Object.entries(color)) out.set(`brand/${color.slug}/${key}`, value);
  }
  out.set("brand", brand.map((b) => b.slug).join(" "));
  for (const [key, value] of Object.entries(rest)) gather(out, key, value);
  return out;
}

function gather(out: Decisions, place: string, value: unknown) {
  if (value === null || value === undefined) return;
  // Lists are one decision, empty ones none; so are single values.
  if (Array.isArray(value) && value.length === 0) return;
  if (typeof value !== "object" || Array.isArray(value)) {
    out.set(place, value);
    return;
  }
  for (const [key, inner] of Object.entries(value)) gather(out, `${place}/${key}`, inner);
}

const text = (value: unknown) => JSON.stringify(value ?? null);

/** Places at which two documents decide differently. */
export function differing(a: Decisions, b: Decisions): string[] {
  const places = new Set([...a.keys(), ...b.keys()]);
  return [...places].filter((place) => text(a.get(place)) !== text(b.get(place)));
}

/** Whether two documents decide the same, however they are written. */
export function decidesSame(a: ThemeDocument, b: ThemeDocument): boolean {
  return differing(decisionsOf(a), decisionsOf(b)).length === 0;
}

/** A decision that two people made differently at once. */
export interface Conflict {
  place: string;
  mine: string | undefined;
  theirs: string | undefined;
}

/** What both sides changed since `base`, and not to the same. The order of colours is only theirs. */
export function conflicts(base: ThemeDocument, mine: ThemeDocument, theirs: ThemeDocument): Conflict[] {
  const [from, ours, others] = [decisionsOf(base), decisionsOf(mine), decisionsOf(theirs)];
  const changed = new Set(differing(from, others));
  const shown = (value: unknown) =>
    value === undefined ? undefined : typeof value === "string" ? value : text(value);
  return differing(from, ours)
    .filter((place) => place !== "brand" && changed.has(place))
    .map((place) => ({ place, mine: shown(ours.get(place)), theirs: shown(others.get(place)) }))
    .filter(({ mine, theirs }) => mine !== theirs);
}

/** A place in the words of the screens. */
export function placeInWords(place: string): string {
  const [part, name = "", key = "", label = ""] = place.split("/");
  if (part === "brand") return key === "color" ? `colour of ${name}` : `${key} of ${name}`;
  if (part === "roles" || part === "tokens") return key ? `${name} (${key})` : name;
  if (part === "scales") return label ? `${name} ${label}: ${key}` : `${name}: ${key}`;
  if (part === "handoff") return `handoff: ${[name, key].filter(Boolean).join(", ")}`;
  return [part, name, key].filter(Boolean).join(" ");
}
