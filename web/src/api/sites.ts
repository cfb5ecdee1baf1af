import { queryOptions } from "@tanstack/react-query";
import { answer, api, type components } from "./client";

type Schemas = components["schemas"];
/** Sites of a host, and what they take of a theme. */
export type Sites = Schemas["SitesView"];
export type Site = Schemas["SiteOfHost"];

const ask = (slug: string, body: { slots?: Record<string, string>; register: boolean }) =>
  answer(api.POST("/api/themes/{slug}/sites", { params: { path: { slug } }, body }));

/** What sites take of a saved theme, and what they show. */
export const sitesQuery = (slug: string, revision: number) =>
  queryOptions({
    queryKey: ["sites", slug, revision],
    queryFn: () => ask(slug, { register: false }),
    retry: false,
    // The table stays in sight while a choice is looked at.
    placeholderData: (before: Sites | undefined) => before,
  });

/** Publishes a theme and registers it with the host. */
export const register = (slug: string) => ask(slug, { register: true });

/** Keeps which token a slot takes; an empty path gives the choice back. */
export function chooseSlot(slug: string, { slots }: Sites, slot: string, path: string) {
  const chosen = slots.flatMap((s) => (s.chosen && s.token && s.slot !== slot ? [[s.slot, s.token]] : []));
  if (path !== "") chosen.push([slot, path]);
  return ask(slug, { slots: Object.fromEntries(chosen), register: false });
}

/** Has a site show a registered theme, or none. */
export const applyToSite = (site: string, theme: string | null, version: number) =>
  answer(api.PUT("/api/sites/{site}", { params: { path: { site } }, body: { theme, version } }));
