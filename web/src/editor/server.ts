import { answer, api, type Change, type Preview, type Theme, type ThemeDocument } from "../api/client";
import type { Below } from "../api/family";

/** What the editor asks of the server. Each write is based on the revision that it was given. */
export interface Server {
  save(theme: Theme, document: ThemeDocument, label: string, topic?: string): Promise<Theme>;
  change(theme: Theme, change: Change, label: string): Promise<Theme>;
  step(theme: Theme, way: "undo" | "redo"): Promise<Theme>;
  restore(theme: Theme, revision: number, keepHandoff: boolean): Promise<Theme>;
  /** The theme as it is now, under whatever name; none once it is deleted. */
  load(id: string, slug: string): Promise<Theme | undefined>;
  preview(document: ThemeDocument, before?: ThemeDocument): Promise<Preview>;
  /** What a document in the place of the theme's would do to the themes that extend it. */
  below(theme: Theme, document: ThemeDocument): Promise<Below[]>;
}

const at = (theme: Theme) => ({
  path: { slug: theme.slug },
  header: { "If-Match": `"${theme.revision}"` },
});

export const httpServer: Server = {
  save: (theme, spec, label, topic) =>
    answer(api.PUT("/api/themes/{slug}", { params: at(theme), body: { spec, label, topic, preview: true } })),
  change: (theme, change, label) =>
    answer(
      api.POST("/api/themes/{slug}/change", { params: at(theme), body: { change, label, preview: true } }),
    ),
  step: (theme, way) => answer(api.POST(`/api/themes/{slug}/${way}`, { params: at(theme) })),
  restore: (theme, revision, keepHandoff) => {
    const { path, header } = at(theme);
    const params = { path: { ...path, revision }, header, query: { keep_handoff: keepHandoff } };
    return answer(api.POST("/api/themes/{slug}/revisions/{revision}/restore", { params }));
  },
  load: async (id, slug) => {
    const get = (path: { slug: string }) => answer(api.GET("/api/themes/{slug}", { params: { path } }));
    const found = await get({ slug }).catch((error) => {
      if (error.is?.("not-found")) return undefined;
      throw error;
    });
    if (found?.id === id) return found;
    const all = await answer(api.GET("/api/themes"));
    const renamed = all.find((theme) => theme.id === id);
    return renamed ? get({ slug: renamed.slug }) : undefined;
  },
  preview: (spec, before) => answer(api.POST("/api/preview", { body: { spec, before } })),
  below: ({ slug }, spec) => {
    const params = { path: { slug } };
    return answer(api.POST("/api/themes/{slug}/below", { params, body: { spec } }));
  },
};
