import { keepPreviousData, useInfiniteQuery, useMutation, useQueryClient } from "@tanstack/react-query";
import { answer, api, type components, type Theme } from "../../api/client";

/** A revision in a list. */
export type Revision = components["schemas"]["RevisionSummary"];

/** How many revisions an answer holds at most. */
const MOST = 60;

/** Revisions of a theme in which words stand, newest first, and a way to older ones where there are any. */
export function useRevisions(theme: Theme, words: string) {
  const { data, hasNextPage, fetchNextPage, isLoading } = useInfiniteQuery({
    queryKey: ["revisions", theme.id, theme.revision, words],
    queryFn: ({ pageParam }) =>
      answer(
        api.GET("/api/themes/{slug}/revisions", {
          params: { path: { slug: theme.slug }, query: { before: pageParam, words } },
        }),
      ),
    initialPageParam: undefined as number | undefined,
    getNextPageParam: (last) => (last.length < MOST ? undefined : last.at(-1)?.revision),
    placeholderData: keepPreviousData,
  });
  return {
    revisions: data?.pages.flat() ?? [],
    older: hasNextPage ? () => void fetchNextPage() : undefined,
    isLoading,
  };
}

/** Gives a revision a name; none takes it away. */
export function useNaming(theme: Theme, revision: number) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (name: string) =>
      answer(
        api.PUT("/api/themes/{slug}/revisions/{revision}/name", {
          params: { path: { slug: theme.slug, revision } },
          body: { name: name.trim() || null },
        }),
      ),
    onSuccess: () => client.invalidateQueries({ queryKey: ["revisions", theme.id] }),
  });
}
