import { queryOptions } from "@tanstack/react-query";
import { answer, api, type components, done, type ThemeDocument } from "./client";

type Schemas = components["schemas"];
/** A theme that is one with a document in the project's folder. */
export type Tie = Schemas["TieView"];
export type TieAsk = Schemas["TieAsk"];
export type Workspace = Schemas["WorkspaceView"];

/** How often the folder is asked about, in ms; a server without one is asked once. */
const OFTEN = 1500;

export const workspaceQuery = queryOptions({
  queryKey: ["workspace"],
  queryFn: () => answer(api.GET("/api/workspace")),
  refetchInterval: ({ state }) => (state.data?.folder ? OFTEN : false),
  staleTime: Number.POSITIVE_INFINITY,
});

/** Decides about a tie; gives how all stand then. */
export const decideTie = (slug: string, ask: TieAsk) =>
  answer(api.POST("/api/workspace/{slug}", { params: { path: { slug } }, body: { do: ask } }));

/** Lets the files show a document that is not saved. */
export const draftFiles = (slug: string, spec: ThemeDocument) =>
  done(api.PUT("/api/workspace/{slug}/draft", { params: { path: { slug } }, body: { spec } }));

/** What the document in the folder says otherwise. */
export const tieDifferences = (slug: string) =>
  answer(api.GET("/api/workspace/{slug}/differences", { params: { path: { slug } } }));
