import { answer, api, type components, done } from "./client";

export type ColorSet = components["schemas"]["SetView"];
export type Sets = components["schemas"]["SetsView"];
export type SetContent = components["schemas"]["SetRequest"];

/** Whose sets are looked for, and which. */
export interface SetsWanted {
  from: "here" | "community";
  word: string;
  owner: string;
  /** Codes: sets with the nearest colours come first. */
  near: string[];
  /** Another number is another order at random; none is the newest first. */
  seed: number | undefined;
  page: number;
}

export function findSets({ from, word, owner, near, seed, page }: SetsWanted): Promise<Sets> {
  const order = seed === undefined ? "newest" : "random";
  const query = { word, owner, near: near.join(","), order, seed: seed ?? 0, page };
  return from === "here"
    ? answer(api.GET("/api/sets", { params: { query } }))
    : answer(api.GET("/api/community/sets", { params: { query } }));
}

export const keepSet = (body: SetContent) => answer(api.POST("/api/sets", { body }));

export const shareSet = (id: string) =>
  answer(api.POST("/api/sets/{id}/share", { params: { path: { id } } }));

export const withdrawSet = (id: string) =>
  answer(api.DELETE("/api/sets/{id}/share", { params: { path: { id } } }));

export const removeSet = (id: string) => done(api.DELETE("/api/sets/{id}", { params: { path: { id } } }));

export const readSet = (name: string, text: string) =>
  answer(api.POST("/api/read-set", { body: { name, text } }));

/** Kinds of file that a set is written to. */
export const SET_FILES = [
  { format: "gpl", name: "text palette" },
  { format: "tokens", name: "design tokens" },
  { format: "json", name: "JSON" },
] as const;
