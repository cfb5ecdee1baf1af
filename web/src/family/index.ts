import { lazy } from "react";

/** Every theme on one page, loaded once it is asked for. */
export const FamilyPage = lazy(() => import("./FamilyPage"));
