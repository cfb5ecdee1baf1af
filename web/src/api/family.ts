import { queryOptions } from "@tanstack/react-query";
import { answer, api, type components, type ThemeDocument } from "./client";
import { numberOf } from "./numberOf";

type Schemas = components["schemas"];
/** A theme with its state, on the page of all of them. */
export type Member = Schemas["MemberView"];
/** What a document has from its parent, and what it decides itself. */
export type Lineage = Schemas["LineageView"];
/** Something that a document decides itself. */
export type Decision = Schemas["DecisionView"];
/** Whose a value of a token is. */
export type CellSource = Schemas["CellSourceView"];
/** A value before and after. */
export type Change = Schemas["ChangeView"];
/** What a change of a theme moves in one below it. */
export type Below = Schemas["BelowView"];

export const familyQuery = queryOptions({
  queryKey: ["family"],
  queryFn: () => answer(api.GET("/api/family")),
  // The route asks first and the page right after it: once is enough.
  staleTime: 1000,
});

/** The sheets that paint a picture of a theme as it was saved. */
export const pictureQuery = (slug: string, revision: number) =>
  queryOptions({
    queryKey: ["picture", slug, revision],
    queryFn: async () => {
      const params = { path: { slug } };
      return (await answer(api.GET("/api/themes/{slug}/sheets", { params }))).sheets;
    },
    // A parent's change repaints its children: their own revision does not tell.
    staleTime: 0,
  });

export const lineageQuery = (spec: ThemeDocument) =>
  queryOptions({
    queryKey: ["lineage", numberOf(spec)],
    queryFn: () => answer(api.POST("/api/lineage", { body: { spec } })),
    enabled: Boolean(spec.extends),
    placeholderData: (before: Lineage | undefined) => before,
  });

/** Every token in which two themes differ. */
export const differences = (before: string, after: string) =>
  answer(api.GET("/api/diff", { params: { query: { before, after } } }));

/** What a theme comes to under another parent, or set free. */
export const underParent = (spec: ThemeDocument, parent: string | null) =>
  answer(api.POST("/api/parent", { body: { spec, parent } }));
