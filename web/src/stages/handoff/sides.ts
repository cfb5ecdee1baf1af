import { type ComponentType, lazy } from "react";

/** Sides of the handoff, one at a time, each with the words by which people look for it. */
export const SIDES = [
  {
    id: "files",
    name: "files",
    words: "targets export generate css sass download archive zip pack pipeline command line terminal",
    load: lazy(() => import("./FilesSide")),
  },
  {
    id: "forms",
    name: "forms",
    words:
      "template in-house host any format own file learn example slots called roles ini toml yaml settings toolkit desktop widgets",
    load: lazy(() => import("./forms/FormsSide")),
  },
  {
    id: "existing",
    name: "existing",
    words:
      "recolor replace find and replace colors swap migrate old files pictures logo map kin doubtful fonts font-family faces typeface loads python xaml program code",
    load: lazy(() => import("./existing/ExistingSide")),
  },
  {
    id: "sites",
    name: "sites",
    words: "publish published immutable link address withdraw live page frame deploy register share link",
    load: lazy(() => import("./sites/SitesSide")),
  },
] as const satisfies { id: string; name: string; words: string; load: ComponentType }[];
