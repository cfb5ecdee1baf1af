import { answer, api, type components, done, type ThemeDocument } from "./client";
import { planOf, type RecolorWanted } from "./exist";

export type OwnPage = components["schemas"]["PageView"];

const at = (slug: string) => ({ params: { path: { slug } } });

/** The page of one's own beside a theme, where there is one. */
export const ownPage = (slug: string) => answer<OwnPage | null>(api.GET("/api/themes/{slug}/page", at(slug)));

/** Keeps a page beside a theme: its files, or one ZIP. */
export function keepPage(slug: string, files: { path: string; file: File }[]): Promise<OwnPage> {
  const form = new FormData();
  for (const { path, file } of files) form.append(path, file);
  return answer(
    api.PUT("/api/themes/{slug}/page", {
      ...at(slug),
      // The browser writes the head of a form itself.
      body: form as never,
      bodySerializer: (body: unknown) => body as FormData,
    }),
  );
}

export const removePage = (slug: string) => done(api.DELETE("/api/themes/{slug}/page", at(slug)));

/** A version of a page with other colours, and with the theme's own style sheet behind its own. */
export const recolorPage = (
  id: string,
  spec: ThemeDocument,
  wanted: Omit<RecolorWanted, "files" | "pictures">,
  sheet: boolean,
) =>
  answer(
    api.POST("/api/pages/{id}/recolored", {
      params: { path: { id } },
      body: {
        spec,
        ...planOf(wanted),
        sheet,
      },
    }),
  );

/** The address of a version of a page. */
export const pageAddress = ({ id, entry }: OwnPage, version: string) =>
  `/own/${id}/${version}/${entry.split("/").map(encodeURIComponent).join("/")}`;
