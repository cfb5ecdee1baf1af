import { create } from "zustand";
import type { ThemeDocument } from "../../api/client";
import type { Edit } from "../../editor/edits";

const NONE: ReadonlySet<string> = new Set();

/** Slugs of the scales that are moved together. */
const useChoice = create<{ chosen: ReadonlySet<string> }>(() => ({ chosen: NONE }));

export const useTogether = () => useChoice((s) => s.chosen);
export const useIsChosen = (slug: string) => useChoice((s) => s.chosen.has(slug));

/** Takes a scale to the others, or out again. */
export function toggleTogether(slug: string) {
  useChoice.setState(({ chosen }) => {
    const next = new Set(chosen);
    if (!next.delete(slug)) next.add(slug);
    return { chosen: next };
  });
}

export const chooseTogether = (slugs: string[]) => useChoice.setState({ chosen: new Set(slugs) });

/** The scales that go along with one: all that are chosen where it is one of them, else itself alone. */
export function along(slug: string): string[] {
  const { chosen } = useChoice.getState();
  return chosen.has(slug) ? [...chosen] : [slug];
}

/** One change for a scale and all that go along with it. */
export const forAll =
  (slug: string, change: (document: ThemeDocument, slug: string) => ThemeDocument): Edit =>
  (document) =>
    along(slug).reduce(change, document);

/** Whom a change is told of: the scale by its name, several by their number. */
export function toldOf({ slug, name }: { slug: string; name: string }): string {
  const count = along(slug).length;
  return count === 1 ? name : `${count} scales`;
}
