import { answer, api, type components } from "./client";

type Schemas = components["schemas"];
/** Sites of a host, and what they take of a theme. */
export type Sites = Schemas["SitesView"];
export type Site = Schemas["SiteOfHost"];

/** What sites take of a saved theme; with `register` it is published and registered there. */
export const sitesOf = (slug: string, slots: Record<string, string>, register: boolean) =>
  answer(api.POST("/api/themes/{slug}/sites", { params: { path: { slug } }, body: { slots, register } }));

/** Has a site show a registered theme, or none. */
export const applyToSite = (site: string, theme: string | null, version: number) =>
  answer(api.PUT("/api/sites/{site}", { params: { path: { site } }, body: { theme, version } }));
