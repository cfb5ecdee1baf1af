import { type ComponentType, lazy } from "react";

/**
 * Where colours come from, one at a time; and, beside them, type and shape. Each with the words by
 * which people look for it.
 */
export const SOURCES = [
  {
    id: "type",
    name: "type or paste",
    words: "add colors hex list brand sheet rgb code snippet table csv upload",
    load: lazy(() => import("./TypeSource")),
  },
  {
    id: "picture",
    name: "picture",
    words: "photo logo image screenshot extract spots pick loupe",
    load: lazy(() => import("./PictureSource")),
  },
  {
    id: "files",
    name: "files",
    words:
      "project folder zip archive inventory colors in use duplicates css sass json toml yaml settings palette own tokens from names scale steps pins pinned style sheet configuration faces web fonts radius page background of a site scan upload migrate",
    load: lazy(() => import("./FilesSource")),
  },
  {
    id: "companions",
    name: "companions",
    words:
      "harmony hue complementary triad square analogous split draw random generate lock locked suggest surprise palette relation warm cool pastel",
    load: lazy(() => import("./CompanionSource")),
  },
  {
    id: "library",
    name: "library",
    words: "sets palettes community share save search",
    load: lazy(() => import("./LibrarySource")),
  },
  {
    id: "faces",
    name: "type and shape",
    words:
      "web fonts typeface typography faces family size weight width narrow wide script radius corners border",
    load: lazy(() => import("./TypeAndShape")),
  },
] as const satisfies { id: string; name: string; words: string; load: ComponentType }[];

export type SourceId = (typeof SOURCES)[number]["id"];
