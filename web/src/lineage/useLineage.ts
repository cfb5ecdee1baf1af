import { useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import type { ThemeDocument } from "../api/client";
import { type CellSource, type Decision, type Lineage, lineageQuery } from "../api/family";
import { useEditorState } from "../editor/EditorProvider";
import { documentOf, themeOf } from "../editor/selectors";
import type { EditorState } from "../editor/state";
import { useSameOf } from "../ui/useSame";

/** What the document at hand has from its parent; nothing where it extends none. */
export function useLineage(): Lineage | undefined {
  // A theme without a parent is not watched: most are.
  const document = useEditorState((s) => (s.document.extends ? s.document : ORPHAN));
  const { data } = useQuery(lineageQuery(document));
  return document.extends ? data : undefined;
}

const ORPHAN: ThemeDocument = { format: 1, name: "" };

/** The document at hand with what it has from its parent. */
export function useWhole(): ThemeDocument {
  const document = useEditorState(documentOf);
  return useLineage()?.merged ?? document;
}

/** A part of the document at hand, with what it has of it from its parent. */
export function usePart<T>(part: (document: ThemeDocument) => T): T {
  const lineage = useLineage();
  const own = useEditorState(useSameOf((s: EditorState) => part(s.document)));
  return lineage ? part(lineage.merged) : own;
}

/** The theme as it was saved, with what it has from its parent: nothing that is only shown. */
export function useSavedWhole(): ThemeDocument {
  const { spec } = useEditorState(themeOf);
  const { data } = useQuery(lineageQuery(spec));
  return (spec.extends && data?.merged) || spec;
}

/** The code that a brand colour was saved with, be it the parent's. */
export function useSavedColor(slug: string): string | undefined {
  const { spec } = useEditorState(themeOf);
  const { data } = useQuery(lineageQuery(spec));
  const own = spec.brand?.find((b) => b.slug === slug);
  return own?.color ?? data?.brand.find((b) => b.slug === slug)?.color;
}

/** A brand colour as it is shown: the document's own, or one that it has from its parent. */
export type ShownColor = NonNullable<ThemeDocument["brand"]>[number] & { own: boolean };

/** Every brand colour of the theme, a parent's in their places, those that are only typed yet too. */
export function useBrand(): ShownColor[] {
  const brand = useEditorState((s) => s.document.brand);
  const lineage = useLineage();
  return useMemo(() => shownBrand(brand ?? [], lineage), [brand, lineage]);
}

export function shownBrand(
  own: NonNullable<ThemeDocument["brand"]>,
  lineage: Pick<Lineage, "brand"> | undefined,
): ShownColor[] {
  const theirs = (lineage?.brand ?? []).map((color): ShownColor | undefined => {
    const mine = own.find((b) => b.slug === color.slug);
    if (mine) return { ...mine, own: true };
    // One of its own that is gone by now, before somebody told so.
    return color.own ? undefined : { ...color, own: false };
  });
  const known = new Set(lineage?.brand.map((b) => b.slug));
  const added = own.filter((b) => !known.has(b.slug ?? "")).map((b) => ({ ...b, own: true }));
  return [...theirs.filter((c) => c !== undefined), ...added];
}

/** Whose a value is, in words; nothing where the theme has no parent. */
export function whoseIs(lineage: Lineage | undefined, cell: CellSource | undefined): string | undefined {
  if (!lineage?.parent || !cell) return undefined;
  if (cell.whose === "own") return "own";
  if (cell.whose === "inherited") return `from ${lineage.parent.name}`;
  const from = cell.from.map((i) => lineage.decisions[i]?.label).filter(Boolean);
  const [first, ...others] = from;
  return `follows ${first ?? "what is its own"}${others.length > 0 ? ` and ${others.length} more` : ""}`;
}

/** Decisions at these places, to be given back. */
export const decisionsAt = (lineage: Lineage | undefined, fits: (place: string) => boolean): Decision[] =>
  lineage?.decisions.filter((d) => fits(d.place)) ?? [];
