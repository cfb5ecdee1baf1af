import { useQuery } from "@tanstack/react-query";
import { answer, api, type Preview, type ThemeDocument } from "../api/client";
import { numberOf } from "../api/numberOf";

export interface Other {
  name: string;
  sheets: string[];
  /** What differs, from the other to the theme at hand. */
  wake: NonNullable<Preview["wake"]>;
}

/** The other side of a comparison: a revision of this theme, or another theme. */
export function useOther(slug: string, spec: ThemeDocument, against: string | undefined) {
  return useQuery({
    queryKey: ["other", slug, against, numberOf(spec)],
    enabled: against !== undefined,
    placeholderData: (previous) => previous,
    queryFn: async (): Promise<Other> => {
      const found = await load(slug, against ?? "");
      const [theirs, ours] = await Promise.all([
        answer(api.POST("/api/preview", { body: { spec: found.spec } })),
        answer(api.POST("/api/preview", { body: { spec, before: found.spec } })),
      ]);
      return { name: found.name, sheets: theirs.sheets, wake: ours.wake ?? { changes: [], unreadable: [] } };
    },
  });
}

async function load(slug: string, against: string): Promise<{ name: string; spec: ThemeDocument }> {
  const revision = /^rev-(\d+)$/.exec(against)?.[1];
  if (revision) {
    const path = { slug, revision: Number(revision) };
    const found = await answer(api.GET("/api/themes/{slug}/revisions/{revision}", { params: { path } }));
    return { name: `rev ${found.revision}`, spec: found.spec };
  }
  const found = await answer(api.GET("/api/themes/{slug}", { params: { path: { slug: against } } }));
  return { name: found.name, spec: found.spec };
}
