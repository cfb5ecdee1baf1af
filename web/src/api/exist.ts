import { answer, api, type components, type ThemeDocument } from "./client";
import type { SourceFile } from "./inventory";

export type Recolored = components["schemas"]["RecoloredView"];
export type MapLine = components["schemas"]["MapLineView"];
export type FaceLine = components["schemas"]["FaceLineView"];
export type Filled = components["schemas"]["FilledView"];
export type Form = NonNullable<ThemeDocument["forms"]>[string];
export type Slot = NonNullable<Form["slots"]>[string];

/** The colours of a picture that goes along. */
export type PictureColors = components["schemas"]["PictureColors"];

/** What becomes of files. */
export interface RecolorWanted {
  files: SourceFile[];
  pictures: PictureColors[];
  map: Record<string, string | null>;
  /** The theme whose colours the files have. */
  from: { theme: string; revision: number | null } | null;
  kin: boolean;
  comments: boolean;
  toVariables: boolean;
  /** Faces with what takes their place; null leaves one. */
  faces: Record<string, string | null>;
}

/** Everything but the files, as the server takes it. */
export const planOf = ({
  map,
  from,
  kin,
  comments,
  toVariables,
  faces,
}: Omit<RecolorWanted, "files" | "pictures">) => ({
  map,
  from,
  kin,
  comments,
  to_variables: toVariables,
  faces,
});

const bodyOf = (spec: ThemeDocument, { files, pictures, ...plan }: RecolorWanted) => ({
  spec,
  files,
  pictures,
  ...planOf(plan),
});

export const recolor = (spec: ThemeDocument, wanted: RecolorWanted) =>
  answer(api.POST("/api/recolor", { body: bodyOf(spec, wanted) }));

export const recoloredArchive = (spec: ThemeDocument, wanted: RecolorWanted) =>
  answer<unknown>(api.POST("/api/recolor/archive", { body: bodyOf(spec, wanted), parseAs: "blob" }));

/** A picture with other colours. */
export async function repaint(picture: File, pairs: [string, string][]): Promise<Blob> {
  const map = pairs.map(([old, next]) => `${old}>${next}`).join(",");
  const asked = api.POST("/api/recolor/picture", {
    params: { query: { map } },
    // The bytes go as they are.
    body: picture as never,
    bodySerializer: (body: unknown) => body as Blob,
    headers: { "Content-Type": "application/octet-stream" },
    parseAs: "blob",
  });
  return new Blob([(await answer<unknown>(asked)) as Blob], { type: picture.type });
}

export const fillForm = (spec: ThemeDocument, form: string) =>
  answer(api.POST("/api/forms/fill", { body: { spec, form } }));

export const learnForm = (spec: ThemeDocument, name: string, text: string) =>
  answer(api.POST("/api/forms/learn", { body: { spec, example: { name, text } } }));
