import { queryOptions } from "@tanstack/react-query";
import { answer, api } from "./client";

export const themesQuery = queryOptions({
  queryKey: ["themes"],
  queryFn: () => answer(api.GET("/api/themes")),
});

export const themeQuery = (slug: string) =>
  queryOptions({
    queryKey: ["theme", slug],
    queryFn: () => answer(api.GET("/api/themes/{slug}", { params: { path: { slug } } })),
    // The editor holds what it edits: a refetch must not replace it under the user's hands.
    staleTime: Number.POSITIVE_INFINITY,
  });

export const targetsQuery = queryOptions({
  queryKey: ["targets"],
  queryFn: () => answer(api.GET("/api/targets")),
  staleTime: Number.POSITIVE_INFINITY,
});

export const deletedQuery = queryOptions({
  queryKey: ["deleted-themes"],
  queryFn: () => answer(api.GET("/api/deleted-themes")),
});

/** What the rules offer: methods, relations, kinds, ranges. It does not change while the server runs. */
export const vocabularyQuery = queryOptions({
  queryKey: ["vocabulary"],
  queryFn: () => answer(api.GET("/api/vocabulary")),
  staleTime: Number.POSITIVE_INFINITY,
});
