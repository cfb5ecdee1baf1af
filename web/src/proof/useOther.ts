import { useQuery } from "@tanstack/react-query";
import { cellOf } from "../api/cellOf";
import type { Level } from "../api/client";
import { answer, api, type Preview, type ThemeDocument } from "../api/client";
import { numberOf } from "../api/numberOf";

/** Compared with itself where more contrast is asked for; no slug has a colon. */
export const AT_MORE = "level:more";

export interface Other {
  name: string;
  /** Its level of contrast and style sheets, where they are not those of the theme at hand. */
  level?: Level;
  sheets?: string[];
  /** What differs, from the other to the theme at hand; of a level from the usual one to it. */
  wake: NonNullable<Preview["wake"]>;
}

const NOTHING: Other["wake"] = { changes: [], more: [], unreadable: [] };

/** The other side of a comparison: a revision of this theme, or another theme. */
export function useOther(slug: string, spec: ThemeDocument, against: string | undefined) {
  return useQuery({
    queryKey: ["other", slug, against, numberOf(spec)],
    enabled: against !== undefined,
    placeholderData: (previous) => previous,
    queryFn: async (): Promise<Other> => {
      if (against === AT_MORE) return raised(spec);
      const found = await load(slug, against ?? "");
      const [theirs, ours] = await Promise.all([
        answer(api.POST("/api/preview", { body: { spec: found.spec } })),
        answer(api.POST("/api/preview", { body: { spec, before: found.spec } })),
      ]);
      return { name: found.name, sheets: theirs.sheets, wake: ours.wake ?? NOTHING };
    },
  });
}

/** The theme itself where more contrast is asked for. */
async function raised(spec: ThemeDocument): Promise<Other> {
  const { tokens, more } = await answer(api.POST("/api/derive", { body: { spec } }));
  const byPath = new Map(tokens.map((t) => [t.path, t]));
  const changes = (more?.cells ?? []).map(({ path, mode, value }) => ({
    path,
    mode,
    before: cellOf(byPath.get(path), mode)?.value,
    after: value,
  }));
  return { name: "more contrast", level: "more", wake: { ...NOTHING, changes } };
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
