import { queryOptions } from "@tanstack/react-query";
import { answer, api, type components } from "./client";

/** What of a theme is published. */
export type Published = components["schemas"]["PublishedView"];

const at = (slug: string) => ({ params: { path: { slug } } });

export const publishedQuery = (slug: string, revision: number) =>
  queryOptions({
    queryKey: ["published", slug, revision],
    queryFn: () => answer(api.GET("/api/themes/{slug}/published", at(slug))),
  });

export const publish = (slug: string) => answer(api.POST("/api/themes/{slug}/published", at(slug)));

export const withdraw = (slug: string) => answer(api.DELETE("/api/themes/{slug}/published", at(slug)));
