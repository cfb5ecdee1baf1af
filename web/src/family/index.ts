import { lazyRouteComponent } from "@tanstack/react-router";

/** Every theme on one page; its script is fetched beside its data, before the page is shown. */
export const FamilyPage = lazyRouteComponent(() => import("./FamilyPage"));
