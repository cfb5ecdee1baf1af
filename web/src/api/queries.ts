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
