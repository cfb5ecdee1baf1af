import { type QueryClient, queryOptions } from "@tanstack/react-query";
import { answer, api, type Theme } from "./client";

export const themesQuery = queryOptions({
  queryKey: ["themes"],
  queryFn: () => answer(api.GET("/api/themes")),
});

/**
 * Puts a theme that was saved into the list of themes at hand. Where others show its name or colours too, or it
 * shows those of another, the list is asked for.
 */
export function relist(client: QueryClient, saved: Theme) {
  const { id, slug, name, parent, revision, updatedAt, colors } = saved;
  const { queryKey } = themesQuery;
  const themes = client.getQueryData(queryKey) ?? [];
  const known = themes.find((theme) => theme.id === id);
  const isSeenElsewhere = themes.some((theme) => theme.parent === slug) || colors.length === 0;
  if (known?.slug !== slug || known.name !== name || isSeenElsewhere)
    return void client.invalidateQueries({ queryKey });
  const now = { ...known, parent: parent ?? null, revision, updatedAt, colors };
  // The last that was changed comes first.
  client.setQueryData(queryKey, [now, ...themes.filter((theme) => theme !== known)]);
}

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
