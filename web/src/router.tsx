import type { QueryClient } from "@tanstack/react-query";
import {
  createRootRouteWithContext,
  createRoute,
  createRouter,
  lazyRouteComponent,
  notFound,
  Outlet,
  redirect,
} from "@tanstack/react-router";
import { familyQuery } from "./api/family";
import { themeQuery, themesQuery } from "./api/queries";
import { FamilyPage } from "./family";
import { type FamilyView, isQuestion } from "./family/view";
import { isPageName } from "./proof/pages";
import { FailedPage } from "./shell/FailedPage";
import { Frame } from "./shell/Frame";
import { loadStage, StagePage } from "./shell/StagePage";
import { STAGES } from "./stages";
import { viewOf } from "./view";

const NowherePage = lazyRouteComponent(() => import("./shell/NowherePage"), "NowherePage");

const rootRoute = createRootRouteWithContext<{ client: QueryClient }>()({
  component: Outlet,
  notFoundComponent: NowherePage,
});

const indexRoute = createRoute({
  getParentRoute: () => rootRoute,
  path: "/",
  loader: async ({ context }) => {
    const themes = await context.client.fetchQuery(themesQuery);
    // A theme that others extend is where they start from: it comes first.
    const first = themes.find((t) => themes.some((child) => child.parent === t.slug)) ?? themes[0];
    if (first) throw redirect({ to: "/themes/$slug/$stage", params: { slug: first.slug, stage: "stave" } });
  },
  component: lazyRouteComponent(() => import("./shell/EmptyPage"), "EmptyPage"),
  errorComponent: FailedPage,
});

const familyRoute = createRoute({
  getParentRoute: () => rootRoute,
  path: "/family",
  validateSearch: (search: Record<string, unknown>): FamilyView => ({
    page: isPageName(search.page) ? search.page : undefined,
    from: typeof search.from === "string" ? search.from : undefined,
    about: isQuestion(search.about) ? search.about : undefined,
    of: typeof search.of === "string" ? search.of : undefined,
  }),
  loaderDeps: ({ search }) => ({ from: search.from }),
  loader: async ({ context: { client }, deps: { from } }) => {
    const members = await client.fetchQuery(familyQuery);
    // The theme one came from, or any other: keys and finder lead to its stages.
    const back = members.find((m) => m.slug === from) ?? members[0];
    return back && client.ensureQueryData(themeQuery(back.slug));
  },
  component: FamilyPage,
  errorComponent: FailedPage,
});

/** What is left of an address whose end somebody takes away. */
const themesRoute = createRoute({
  getParentRoute: () => rootRoute,
  path: "/themes",
  beforeLoad: () => {
    throw redirect({ to: "/family" });
  },
});

const themeRoute = createRoute({
  getParentRoute: () => rootRoute,
  path: "/themes/$slug",
  validateSearch: viewOf,
  loader: ({ context, params }) => context.client.ensureQueryData(themeQuery(params.slug)),
  component: Frame,
  errorComponent: FailedPage,
});

const themeIndexRoute = createRoute({
  getParentRoute: () => themeRoute,
  path: "/",
  beforeLoad: ({ params }) => {
    throw redirect({ to: "/themes/$slug/$stage", params: { ...params, stage: "stave" } });
  },
});

const stageRoute = createRoute({
  getParentRoute: () => themeRoute,
  path: "$stage",
  beforeLoad: ({ params }) => {
    if (!STAGES.some((stage) => stage.id === params.stage)) throw notFound();
  },
  loader: ({ params }) => loadStage(params.stage),
  notFoundComponent: NowherePage,
  component: StagePage,
});

const routeTree = rootRoute.addChildren([
  indexRoute,
  familyRoute,
  themesRoute,
  themeRoute.addChildren([themeIndexRoute, stageRoute]),
]);

export function makeRouter(client: QueryClient) {
  return createRouter({
    routeTree,
    context: { client },
    defaultPreload: "intent",
    // What was read is kept by the queries, which hear of changes; the router would show it as it was.
    defaultGcTime: 0,
    defaultPreloadStaleTime: 0,
  });
}

declare module "@tanstack/react-router" {
  interface Register {
    router: ReturnType<typeof makeRouter>;
  }
}
