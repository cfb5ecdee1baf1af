import { answer, api, type components, problemOf, type ThemeDocument } from "./client";
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

/** What becomes of files by all that is not refused, and what is. */
export interface RecoloredAsFar {
  found: Recolored;
  /** What was asked for without what is refused. */
  taken: RecolorWanted;
  /** Why choices are refused, by their JSON Pointers. */
  refusals: Record<string, string>;
}

/** Recolours by all choices but those that are refused, which the others do not wait for. */
export async function recolorAsFar(spec: ThemeDocument, wanted: RecolorWanted): Promise<RecoloredAsFar> {
  const refusals: RecoloredAsFar["refusals"] = {};
  let taken = wanted;
  for (;;) {
    try {
      return { found: await recolor(spec, taken), taken, refusals };
    } catch (error) {
      const { pointer = "", message = "" } = problemOf(error).problems?.[0] ?? {};
      const left = without(taken, pointer);
      if (!left) throw error;
      refusals[pointer] = message;
      taken = left;
    }
  }
}

/** Choices without the one that a pointer names (RFC 6901, 3); none where it names no choice. */
function without(wanted: RecolorWanted, pointer: string): RecolorWanted | undefined {
  const [, of, ...rest] = pointer.split("/");
  const key = rest.join("/").replaceAll("~1", "/").replaceAll("~0", "~");
  if ((of !== "map" && of !== "faces") || !(key in wanted[of])) return undefined;
  const { [key]: _, ...others } = wanted[of];
  return { ...wanted, [of]: others };
}

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
