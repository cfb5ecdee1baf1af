import { type ComponentType, lazy } from "react";

/** Where colours come from, one at a time; and, beside them, type and shape. */
export const SOURCES = [
  { id: "type", name: "type or paste", load: lazy(() => import("./TypeSource")) },
  { id: "picture", name: "picture", load: lazy(() => import("./PictureSource")) },
  { id: "files", name: "files", load: lazy(() => import("./FilesSource")) },
  { id: "companions", name: "companions", load: lazy(() => import("./CompanionSource")) },
  { id: "faces", name: "type and shape", load: lazy(() => import("./TypeAndShape")) },
] as const satisfies { id: string; name: string; load: ComponentType }[];

export type SourceId = (typeof SOURCES)[number]["id"];
